<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** A way of coding the sound. */
interface AudioCodec
{
    /** Id in preset files. */
    public function id(): string;

    public function name(): string;

    /** Whether it is asked for a rate; otherwise its rate follows from samples and depth. */
    public function hasRate(): bool;

    /** @return list<int> sample rates in Hz it takes, rising; empty for any */
    public function sampleRates(): array;

    /** @return list<int> bits of a sample that it keeps, rising; empty where it keeps no samples */
    public function bitDepths(): array;

    /** Channels of one track that it carries. */
    public function mostChannels(): int;

    /**
     * Bits per second it comes to: the asked rate, or what samples and depth give (for lossless coding a usual share of it).
     */
    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int;
}
