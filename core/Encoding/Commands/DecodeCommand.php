<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** All of a file decoded from its start, without a jump and without anything that decides on times: what other eyes see of it. */
final class DecodeCommand
{
    /** Size of the little grey pictures, in pixels. */
    public const WIDTH = 32;

    public const HEIGHT = 18;

    /** Samples of sound per second. */
    public const SAMPLES = 8_000;

    /** Every frame as a little grey picture of a byte a pixel, one after the other, on standard output. */
    public static function pictures(string $path, int $stream): Command
    {
        $filters = sprintf('scale=w=%d:h=%d:flags=area,format=gray', self::WIDTH, self::HEIGHT);

        return Command::ask(Program::Encoder, [
            '-v', 'error', '-nostdin', ...Input::of($path), '-map', "0:{$stream}", '-vf', $filters, '-fps_mode', 'passthrough',
            '-f', 'rawvideo', '-',
        ], Allowance::Run);
    }

    /**
     * Sound in one channel, as 16-bit samples, from the start of the file on.
     *
     * @param  float  $seconds  of it
     */
    public static function sound(string $path, int $stream, float $seconds): Command
    {
        return Command::ask(Program::Encoder, [
            '-v', 'error', '-nostdin', ...Input::of($path), '-map', "0:{$stream}", '-af', 'aresample=async=1:first_pts=0', '-ac', '1',
            '-ar', (string) self::SAMPLES, '-t', sprintf('%.3F', $seconds), '-f', 's16le', '-',
        ], Allowance::Run);
    }
}
