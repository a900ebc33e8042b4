<?php

namespace Tests\Support;

use Symfony\Component\Process\Process;

/** Reads the number that a frame shows in eight bars, as a decoder of its own sees it. */
final class Bars
{
    /** @return list<int> of each frame of a video, in the order of showing */
    public static function in(string ...$input): array
    {
        $process = new Process([
            'ffmpeg', '-v', 'error', ...$input, '-an', '-fps_mode', 'passthrough', '-vf', 'scale=8:1:flags=area,format=gray',
            '-f', 'rawvideo', '-',
        ]);

        return array_map(
            fn (string $frame): int => array_sum(array_map(fn (int $bit): int => ord($frame[$bit]) > 127 ? 1 << $bit : 0, range(0, 7))),
            str_split($process->mustRun()->getOutput(), 8),
        );
    }
}
