<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** What MP4 and MOV share: ISO base media files with sample tables. */
abstract class IsoBaseMedia implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;

    public function timesSound(): bool
    {
        return true;
    }

    public function hasFastStart(): bool
    {
        return true;
    }

    public function tellsFieldOrder(): bool
    {
        return true;
    }

    public function keepsColour(): bool
    {
        return true;
    }

    public function options(): array
    {
        return [];
    }

    public function tellsHdrMetadata(): bool
    {
        return true;
    }

    public function tellsProjection(): bool
    {
        return true;
    }

    public function muxer(): string
    {
        return $this->id();
    }

    /** Sizes and offsets have 64 bits where they need them (ISO/IEC 14496-12, 4.2 and 8.7.5). */
    public function breaksAbove(): ?int
    {
        return null;
    }

    /**
     * Sample tables of ISO/IEC 14496-12, 8.6 and 8.7: a size (4 bytes) for each sample, a composition offset (8) for each
     * reordered frame, a chunk offset (4 to 8) and chunk run (12) about each second frame and sound chunk; boxes come to about 2 kB.
     */
    public function overhead(Payload $payload): int
    {
        return 2_000 + $payload->frames * ($payload->intraOnly ? 12 : 20) + $payload->soundPackets * 8;
    }
}
