<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** WebM: a part of Matroska for the web (WebM Container Guidelines). */
final class WebM implements Container, TakesOpusDelayTwice
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'webm';
    }

    public function name(): string
    {
        return 'WebM';
    }

    public function extension(): string
    {
        return 'webm';
    }

    public function videoCodecs(): array
    {
        return ['vp9', 'av1'];
    }

    public function audioCodecs(): array
    {
        return ['opus'];
    }

    /** In the elements of its picture's colour (RFC 9559, 5.1.4.1.28.24 to 40). */
    public function tellsHdrMetadata(): bool
    {
        return true;
    }

    public function muxer(): string
    {
        return 'webm';
    }

    /** Headers, and a block header of about 7 bytes for each frame and sound packet. */
    public function overhead(Payload $payload): int
    {
        return 700 + 7 * ($payload->frames + $payload->soundPackets);
    }
}
