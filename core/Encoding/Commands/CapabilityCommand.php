<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** What the encoder is asked about itself. */
final class CapabilityCommand
{
    public static function version(): Command
    {
        return Command::ask(Program::Encoder, ['-version']);
    }

    public static function encoders(): Command
    {
        return Command::ask(Program::Encoder, ['-hide_banner', '-encoders']);
    }

    /** Two frames of black: an encoder in a graphics chip that is built in need not work. */
    public static function trial(string $encoder): Command
    {
        return Command::ask(Program::Encoder, [
            '-v', 'quiet', '-nostdin', '-f', 'lavfi', '-i', 'color=black:s=256x256:r=25:d=0.2', '-frames:v', '2', '-c:v', $encoder,
            '-f', 'null', '-',
        ]);
    }
}
