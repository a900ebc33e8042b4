<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** The candidate to take, and why, in a sentence with its numbers. */
final readonly class Recommendation
{
    /**
     * @param  int  $index  of the candidate
     * @param  list<int>  $equals  others that leave as much, as far as the pieces can tell
     */
    private function __construct(public int $index, public array $equals, public string $why)
    {
    }

    /** @param  non-empty-list<Outcome>  $outcomes */
    public static function of(array $outcomes, Screen $screen, Weights $weights = new Weights): self
    {
        $best = self::best($outcomes);
        $scores = array_map(
            static fn (Outcome $outcome): float => self::score($outcome, $outcomes[$best], $weights),
            $outcomes,
        );
        $index = (int) array_search(max($scores), $scores, true);
        $chosen = $outcomes[$index];
        $equals = [];
        foreach ($outcomes as $i => $other) {
            if ($i !== $index && ! Gain::of($other, $chosen)->isCertain()) {
                $equals[] = $i;
            }
        }

        return new self($index, $equals, self::sentence($outcomes, $index, $best, $screen));
    }

    /** @param  non-empty-list<Outcome>  $outcomes */
    private static function best(array $outcomes): int
    {
        $decibels = array_map(static fn (Outcome $outcome): float => $outcome->decibels(), $outcomes);

        return (int) array_search(max($decibels), $decibels, true);
    }

    /** In dB: what is left, less what its size and the times are worth. What cannot be told from the best counts as the best. */
    private static function score(Outcome $outcome, Outcome $best, Weights $weights): float
    {
        $left = Gain::of($best, $outcome)->isCertain() ? $outcome->decibels() : $best->decibels();
        $doublings = static fn (float $own, float $least): float => log(max(1e-3, $own) / max(1e-3, $least), 2);

        return $weights->quality * $left -
            Weights::STEP *
                ($weights->size * $doublings($outcome->bytes, $best->bytes) +
                    $weights->making * $doublings($outcome->making, $best->making) +
                    $weights->sending * $doublings($outcome->sending, $best->sending));
    }

    /** @param  non-empty-list<Outcome>  $outcomes */
    private static function sentence(array $outcomes, int $index, int $best, Screen $screen): string
    {
        $chosen = $outcomes[$index];
        $what = sprintf(
            '%s leaves %.2f dB SSIM on a screen of %d lines for %s, made in about %s.',
            $chosen->name,
            $chosen->decibels(),
            $screen->lines,
            new ByteCount($chosen->bytes),
            Duration::upTo($chosen->making),
        );
        if (count($outcomes) === 1) {
            return $what.' There is nothing to hold it against: add a candidate.';
        }
        $other = $index === $best ? self::next($outcomes, $index) : $best;
        $name = $outcomes[$other]->name;
        $gain = Gain::of($outcomes[$other], $chosen);
        $db = $gain->decibels;
        $size = TimesTheSize::of($outcomes[$other]->bytes, $chosen->bytes);

        return $what.' '.match (true) {
            ! $gain->isCertain() => sprintf('%s cannot be told from it (%+.2f ± %.2f dB) %s.', $name, $db, $gain->margin, $size),
            $db > 0 => sprintf('%s leaves %.2f dB more (± %.2f) %s.', $name, $db, $gain->margin, $size),
            default => sprintf('%s leaves %.2f dB less (± %.2f) %s.', $name, -$db, $gain->margin, $size),
        };
    }

    /**
     * The one that comes nearest to the best.
     *
     * @param  non-empty-list<Outcome>  $outcomes
     */
    private static function next(array $outcomes, int $best): int
    {
        $others = array_map(static fn (Outcome $outcome): float => $outcome->decibels(), $outcomes);
        $others[$best] = -INF;

        return (int) array_search(max($others), $others, true);
    }
}
