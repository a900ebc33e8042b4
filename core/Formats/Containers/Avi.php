<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** AVI: a RIFF file with the OpenDML extension. */
final class Avi implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'avi';
    }

    public function name(): string
    {
        return 'AVI';
    }

    public function extension(): string
    {
        return 'avi';
    }

    public function videoCodecs(): array
    {
        return ['utvideo', 'mjpeg', 'ffv1'];
    }

    public function audioCodecs(): array
    {
        return ['pcm', 'mp3', 'ac3'];
    }

    public function timesSound(): bool
    {
        return false;
    }

    public function keepsColour(): bool
    {
        return false;
    }

    public function muxer(): string
    {
        return 'avi';
    }

    /**
     * Its chunks have no times, only an order. Sound that begins before zero (what an encoder of MP3 puts first) would have the writer
     * push the picture back by empty chunks, which hold the first frame for two or three.
     */
    public function options(): array
    {
        return ['-avoid_negative_ts', 'disabled'];
    }

    /** Readers without the OpenDML extension count in signed 32 bits. */
    public function breaksAbove(): int
    {
        return 2_000_000_000;
    }

    /** A chunk header and an index entry for each packet, 24 bytes; room for the index of indexes. */
    public function overhead(Payload $payload): int
    {
        return 10_000 + 24 * ($payload->frames + $payload->soundPackets);
    }
}
