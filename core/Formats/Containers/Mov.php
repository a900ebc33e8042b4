<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MOV, the movie file that ISO base media grew out of. */
final class Mov extends IsoBaseMedia
{
    public function id(): string
    {
        return 'mov';
    }

    public function name(): string
    {
        return 'MOV';
    }

    public function extension(): string
    {
        return 'mov';
    }

    public function videoCodecs(): array
    {
        return ['prores', 'h264', 'hevc', 'dnxhd', 'cfhd', 'mjpeg'];
    }

    public function audioCodecs(): array
    {
        return ['pcm', 'aac', 'alac', 'ac3', 'mp3'];
    }
}
