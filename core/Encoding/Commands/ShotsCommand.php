<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** Where one shot follows another without a blend, told on standard output: `frame:N …` and its score. */
final class ShotsCommand
{
    /** Difference of neighbouring frames from which a new shot is seen, in per cent (the engine's scdet filter). */
    private const DIFFERENCE = 10;

    public static function of(string $path): Command
    {
        return Command::ask(Program::Encoder, [
            '-v', 'error', '-nostdin', ...Input::of($path), '-map', '0:v:0', '-an',
            '-vf', 'scdet=threshold='.self::DIFFERENCE.',metadata=mode=print:key=lavfi.scd.time:file=-',
            '-fps_mode', 'passthrough', '-f', 'null', '-',
        ], Allowance::Analysis);
    }

    /** Number of the frame with which a shot begins, from a line; null where it tells of none. */
    public static function frameIn(string $line): ?int
    {
        return preg_match('~^frame:(\d+)\s~', $line, $m) === 1 ? (int) $m[1] : null;
    }
}
