<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** Matroska: RFC 9559. */
final class Matroska implements Container, TakesOpusDelayTwice
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'matroska';
    }

    public function name(): string
    {
        return 'Matroska';
    }

    public function extension(): string
    {
        return 'mkv';
    }

    public function videoCodecs(): array
    {
        return ['h264', 'hevc', 'av1', 'vp9', 'ffv1', 'prores', 'utvideo', 'mpeg2video', 'mjpeg'];
    }

    public function audioCodecs(): array
    {
        return ['flac', 'pcm', 'aac', 'opus', 'mp3', 'ac3', 'alac'];
    }

    public function tellsFieldOrder(): bool
    {
        return true;
    }

    /** In the elements of its picture's colour (RFC 9559, 5.1.4.1.28.24 to 40). */
    public function tellsHdrMetadata(): bool
    {
        return true;
    }

    public function muxer(): string
    {
        return 'matroska';
    }

    /** A block header of about 8 bytes a frame (12 for large ones), clusters and cues about 30 a second of frames. */
    public function overhead(Payload $payload): int
    {
        return 1_500 + $payload->frames * ($payload->intraOnly ? 14 : 10) + $payload->soundPackets * 8;
    }
}
