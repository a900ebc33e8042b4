<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/** A rendition of a ladder, as several lessons show it. */
final readonly class LearntRung
{
    /** Seconds from keyframe to keyframe where no file was long enough to tell: about what streams are cut at (HLS, RFC 8216: 6). */
    private const USUAL_KEYFRAMES = 5;

    /**
     * @param  array<int, SeenRendition>  $seen  by place of the lesson; at least one
     * @param  int|null  $quality  that leads on the codec's own scale; null where an average does
     */
    public function __construct(public int $shorterSide, public array $seen, public ?int $quality = null)
    {
    }

    public function codec(): string
    {
        return $this->any()->codec;
    }

    /** Uploads that came back with the same bits: an average leads, or nothing else was seen. */
    public function isSteady(): bool
    {
        $rates = $this->rates();

        return max($rates) <= Lesson::NEAR * max(1, min($rates));
    }

    /**
     * What the host aims at: the mean where they are alike; else the highest, since pictures that cannot use it up come to less.
     */
    public function average(): Bitrate
    {
        $rates = $this->rates();

        return new Bitrate((int) round($this->isSteady() ? array_sum($rates) / count($rates) : max($rates), -3));
    }

    /** Null where no file had two keyframes. */
    public function keyframeSeconds(): ?Fraction
    {
        $longest = null;
        foreach ($this->seen as $one) {
            $own = $one->keyframeSeconds;
            $longest = $own !== null && ($longest === null || $own->compare($longest) > 0) ? $own : $longest;
        }

        return $longest;
    }

    public function bFrames(): ?int
    {
        $all = array_filter(array_map(static fn (SeenRendition $one): ?int => $one->bFrames, $this->seen), is_int(...));

        return $all === [] ? null : max($all);
    }

    public function withQuality(int $quality): self
    {
        return new self($this->shorterSide, $this->seen, $quality);
    }

    /** @return list<string> what is not plain about it, as sentences */
    public function remarks(): array
    {
        $lines = $this->shorterSide;

        return array_values(array_filter([
            match (true) {
                $this->quality !== null => "At {$lines} lines files of the same size have other rates, and one quality behind them: "
                    ."{$this->quality}.",
                ! $this->isSteady() => "At {$lines} lines the rates lie far apart, and no one quality explains them: "
                    .'the highest is taken for the average, which calmer pictures do not use up.',
                default => null,
            },
            $this->keyframeSeconds() !== null
                ? null
                : "At {$lines} lines no file is long enough to tell how far its keyframes lie apart: send one of ten seconds or more.",
        ], is_string(...)));
    }

    /**
     * As a rendition of a ladder.
     *
     * @param  string  $speed  one of Rung::SPEEDS
     * @param  Rung|null  $before  what was known of it, for what no file tells
     */
    public function rung(string $speed, ?Rung $before = null): Rung
    {
        return new Rung(
            $this->shorterSide,
            $this->codec(),
            $this->quality === null ? $this->average() : null,
            $this->quality,
            $this->keyframeSeconds() ?? $before->keyframeSeconds ?? new Fraction(self::USUAL_KEYFRAMES),
            $speed,
            $this->bFrames(),
        );
    }

    private function any(): SeenRendition
    {
        return $this->seen[array_key_first($this->seen) ?? 0];
    }

    /** @return non-empty-list<int> */
    private function rates(): array
    {
        return array_values(array_map(static fn (SeenRendition $one): int => $one->average->bitsPerSecond, $this->seen)) ?: [0];
    }
}
