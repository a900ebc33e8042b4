<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MPEG-4 sound: an MP4 file without a picture. */
final class M4a implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use SoundAlone;

    public function id(): string
    {
        return 'm4a';
    }

    public function name(): string
    {
        return 'M4A';
    }

    public function extension(): string
    {
        return 'm4a';
    }

    public function audioCodecs(): array
    {
        return ['aac', 'alac'];
    }

    public function muxer(): string
    {
        return 'ipod';
    }

    /** The index: a size for each packet, places for each chunk. */
    public function overhead(Payload $payload): int
    {
        return 1_800 + $payload->soundPackets * 5;
    }
}
