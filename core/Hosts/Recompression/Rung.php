<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Recompression;

use InvalidArgumentException;
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/** One rendition of a ladder: a size, and how it is coded. */
final readonly class Rung
{
    public const SPEEDS = ['fast', 'medium', 'slow'];

    /**
     * @param  int  $shorterSide  of the frame, in pixels
     * @param  Bitrate|null  $average  null where quality leads
     * @param  int|null  $quality  on the codec's own scale; with an average it is null
     * @param  Fraction  $keyframeSeconds  from one keyframe to the next
     * @param  string  $speed  one of SPEEDS: how long the host lets the encoder search
     * @param  int|null  $bFrames  in a row at most; null where it is not known
     *
     * @throws InvalidArgumentException when it is not said in one way how many bits it gets
     */
    public function __construct(
        public int $shorterSide,
        public string $codec,
        public ?Bitrate $average,
        public ?int $quality,
        public Fraction $keyframeSeconds,
        public string $speed,
        public ?int $bFrames = null,
    ) {
        if (($average === null) === ($quality === null)) {
            throw new InvalidArgumentException("The rendition of {$shorterSide} lines needs an average or a quality, and not both.");
        }
    }

    public function codecName(): string
    {
        return CodecNames::codec($this->codec);
    }

    /** The same with another average. */
    public function at(Bitrate $average): self
    {
        return new self($this->shorterSide, $this->codec, $average, null, $this->keyframeSeconds, $this->speed, $this->bFrames);
    }

    /** @return array<string, mixed> as in a host file */
    public function toFile(): array
    {
        return array_filter([
            'shorterSide' => $this->shorterSide,
            'codec' => $this->codec,
            'kbps' => $this->average === null ? null : (int) round($this->average->bitsPerSecond / 1000),
            'quality' => $this->quality,
            'keyframeSeconds' => round($this->keyframeSeconds->toFloat(), 3),
            'speed' => $this->speed,
            'bFrames' => $this->bFrames,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
