<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** Matroska: RFC 9559. */
final class Matroska implements Container
{
    public function id(): string
    {
        return 'matroska';
    }

    public function name(): string
    {
        return 'Matroska';
    }

    public function standard(): string
    {
        return 'RFC 9559';
    }

    public function extension(): string
    {
        return 'mkv';
    }

    public function videoCodecs(): array
    {
        return ['ffv1', 'h264', 'hevc', 'prores'];
    }

    public function audioCodecs(): array
    {
        return ['flac', 'pcm', 'aac'];
    }

    public function hasFastStart(): bool
    {
        return false;
    }

    /** A block header of about 8 bytes a frame (12 for large ones), clusters and cues about 30 a second of frames. */
    public function overhead(int $frames, int $soundPackets, bool $intraOnly): int
    {
        return 1_500 + $frames * ($intraOnly ? 14 : 10) + $soundPackets * 8;
    }
}
