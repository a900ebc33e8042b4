<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MP4: ISO/IEC 14496-14. */
final class Mp4 extends IsoBaseMedia
{
    public function id(): string
    {
        return 'mp4';
    }

    public function name(): string
    {
        return 'MP4';
    }

    public function extension(): string
    {
        return 'mp4';
    }

    public function videoCodecs(): array
    {
        return ['h264', 'hevc', 'av1', 'vp9'];
    }

    public function audioCodecs(): array
    {
        return ['aac', 'opus', 'ac3', 'mp3', 'flac', 'alac'];
    }
}
