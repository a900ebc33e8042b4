<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Units\Fraction;

/** How loud sound is, millisecond by millisecond from the first picture on. */
final readonly class Envelope
{
    private const SAMPLES = DecodeCommand::SAMPLES / 1000;

    /** Milliseconds that are compared, and by how many they are shifted for it. */
    private const COMPARED = 4_000;

    private const SHIFT = 150;

    /** Milliseconds around the best shift that are as good as it. */
    private const NEAR = 5;

    /** Share of the distance at every other shift that is left at the true one, at most: an even tone is much the same at many. */
    private const CLEAR = 0.5;

    /** Share of their level by which they lie apart unshifted, at least, for a shift to be told: less is what codecs change. */
    private const APART = 0.005;

    /** Milliseconds beside those that are shifted over which they are compared, at least: in less, chance is as clear. */
    private const LEAST = 1_000;

    /** Milliseconds over which levels are smoothed: half a wave of a low tone is not to pass for a beat. */
    private const SMOOTHED = 10;

    /** @param  list<float>  $levels */
    private function __construct(private array $levels)
    {
    }

    /** @param  string  $samples  16-bit, from the start of the file */
    public static function of(string $samples, Fraction $pictureStarts): self
    {
        $skipped = 2 * (int) round($pictureStarts->toFloat() * DecodeCommand::SAMPLES);
        $levels = [];
        $bytes = 2 * self::SAMPLES;
        foreach (str_split(substr($samples, $skipped, $bytes * (self::COMPARED + 2 * self::SHIFT)), $bytes) as $piece) {
            $values = unpack('s*', $piece) ?: [0];
            $loud = array_map(static fn (mixed $value): int => is_int($value) ? abs($value) : 0, $values);
            $levels[] = array_sum($loud) / max(1, count($loud));
        }

        return new self(self::smooth($levels));
    }

    /**
     * Milliseconds by which the other comes late; 0 also where it cannot be told. Their levels do not matter.
     *
     * @return float|null null where one of them is silent
     */
    public function lagOf(self $other): ?float
    {
        if (max([0.0, ...$this->levels]) < 50 || max([0.0, ...$other->levels]) < 50) {
            return null;
        }
        $count = min(count($this->levels), count($other->levels), self::COMPARED) - 2 * self::SHIFT;
        $asTheyAre = $this->apart($other, 0);
        if ($count < self::LEAST || $asTheyAre < self::APART) {
            return 0.0;
        }
        $apart = [$asTheyAre];
        for ($shift = 1; $shift <= self::SHIFT; $shift++) {
            $apart[$shift] = $this->apart($other, $shift);
            $apart[-$shift] = $this->apart($other, -$shift);
        }
        $best = (int) array_search(min($apart), $apart, true);
        $others = array_filter($apart, static fn (int $shift): bool => abs($shift - $best) > self::NEAR, ARRAY_FILTER_USE_KEY);

        $isClear = abs($best) <= self::NEAR || $apart[$best] <= self::CLEAR * min([$asTheyAre, ...$others]);

        return $isClear ? (float) $best : 0.0;
    }

    /**
     * @param  list<float>  $levels
     * @return list<float>
     */
    private static function smooth(array $levels): array
    {
        $sum = 0.0;
        $smooth = [];
        foreach ($levels as $i => $level) {
            $sum += $level - ($levels[$i - self::SMOOTHED] ?? 0.0);
            $smooth[] = $sum / self::SMOOTHED;
        }

        return $smooth;
    }

    /** Share of their level by which they lie apart where the other is shifted, each with its own loudness. */
    private function apart(self $other, int $shift): float
    {
        $count = max(0, min(count($this->levels), count($other->levels), self::COMPARED) - 2 * self::SHIFT);
        $own = array_slice($this->levels, self::SHIFT, $count);
        $others = array_slice($other->levels, self::SHIFT + $shift, $count);
        $level = array_sum($own);
        $gain = $level / max(1.0, array_sum($others));
        $sum = 0.0;
        foreach ($own as $i => $at) {
            $sum += abs($at - $gain * $others[$i]);
        }

        return $sum / max(1.0, $level);
    }
}
