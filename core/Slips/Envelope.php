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

    /** Seconds of sound after the first picture that are looked at. */
    public const SECONDS = (self::COMPARED + 2 * self::SHIFT) / 1000;

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

        return new self($levels);
    }

    /** Milliseconds by which the other has to be shifted to be most alike; null where both are silent. */
    public function lagOf(self $other): ?float
    {
        if (max([0.0, ...$this->levels]) < 50 || max([0.0, ...$other->levels]) < 50) {
            return null;
        }
        $best = 0;
        $least = INF;
        for ($shift = 0; abs($shift) <= self::SHIFT; $shift = $shift > 0 ? -$shift : 1 - $shift) {
            $apart = $this->apart($other, $shift);
            if ($apart < $least) {
                [$best, $least] = [$shift, $apart];
            }
        }

        return (float) $best;
    }

    private function apart(self $other, int $shift): float
    {
        $sum = 0.0;
        $count = min(count($this->levels), count($other->levels), self::COMPARED) - self::SHIFT;
        for ($i = self::SHIFT; $i < $count; $i++) {
            $sum += abs($this->levels[$i] - $other->levels[$i + $shift]);
        }

        return $sum / max(1, $count - self::SHIFT);
    }
}
