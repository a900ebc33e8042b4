<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** A FLAC stream. */
final class FlacFile implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use SoundAlone;

    public function id(): string
    {
        return 'flac';
    }

    public function name(): string
    {
        return 'FLAC';
    }

    public function extension(): string
    {
        return 'flac';
    }

    public function audioCodecs(): array
    {
        return ['flac'];
    }

    public function muxer(): string
    {
        return 'flac';
    }

    /** Stream information, seek table and padding. */
    public function overhead(Payload $payload): int
    {
        return 8_700;
    }
}
