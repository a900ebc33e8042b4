<?php

namespace Tests\Support;

use Symfony\Component\Process\Process;

/** Eight bars, black or white, in which frame n shows n in binary: how they are drawn, and read as a decoder of its own sees them. */
final class Bars
{
    /** A source of as many pixels as there are bars: to reckon each pixel of a picture takes twenty times as long. */
    public const BLANK = 'nullsrc=s=8x2';

    /** Follows its rate and length. */
    public const DRAWN = "format=gray,geq=lum='255*mod(floor(N/pow(2\\,X))\\,2)',scale=320:180:flags=neighbor,setsar=1";

    /** @return list<int> the number that each frame of a video shows, in the order of showing */
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
