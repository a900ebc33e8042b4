<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;

/** Joins the measured segments' pictures with the sound of the cut into a file that every browser plays. */
final class ProxyCommand
{
    /** @param  string  $picture  path of the H.264 byte stream */
    public static function of(Reading $reading, string $cut, string $picture, string $output): Command
    {
        $rate = (string) $reading->mainVideo()?->frameRate;
        $audio = $reading->mainAudio();
        $sound = $audio === null ? [] : [
            '-map', "1:{$audio->index}",
            '-af', implode(',', Excerpt::whole($reading)->sound()),
            '-c:a', 'aac', '-b:a', '128k', '-ac', '2', '-ar', '48000',
        ];

        return Command::encode(Allowance::Analysis, [
            ...Input::of($picture, ['-f', 'h264', '-framerate', $rate]),
            ...($audio === null ? [] : Input::of($cut)),
            '-map', '0:v', '-c:v', 'copy',
            ...$sound,
            '-map_metadata', '-1', '-movflags', '+faststart', '-f', 'mp4', 'file:'.$output,
        ]);
    }
}
