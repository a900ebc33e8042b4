<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MPEG transport stream: ISO/IEC 13818-1. */
final class MpegTs implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'mpeg-ts';
    }

    public function name(): string
    {
        return 'MPEG-TS';
    }

    public function extension(): string
    {
        return 'ts';
    }

    public function videoCodecs(): array
    {
        return ['h264', 'hevc', 'mpeg2video'];
    }

    public function audioCodecs(): array
    {
        return ['aac', 'ac3', 'mp3'];
    }

    public function muxer(): string
    {
        return 'mpegts';
    }

    /** 4 bytes of each 188 (2.4.3.2), a header and half a packet of filling for each frame, and tables ten times a second. */
    public function overhead(Payload $payload): int
    {
        return (int) round($payload->bytes * 4 / 184 + $payload->frames * 110 + $payload->seconds * 3_900);
    }
}
