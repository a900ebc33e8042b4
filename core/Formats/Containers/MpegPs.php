<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MPEG program stream: ISO/IEC 13818-1. */
final class MpegPs implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'mpeg-ps';
    }

    public function name(): string
    {
        return 'MPEG-PS';
    }

    public function extension(): string
    {
        return 'mpg';
    }

    public function videoCodecs(): array
    {
        return ['mpeg2video'];
    }

    public function audioCodecs(): array
    {
        return ['ac3', 'mp3'];
    }

    public function muxer(): string
    {
        return 'vob';
    }

    /** A pack and a packet header in each 2048 bytes (2.5.3): a little over 1 %. */
    public function overhead(Payload $payload): int
    {
        return (int) round(4_300 + $payload->bytes * 0.0115);
    }
}
