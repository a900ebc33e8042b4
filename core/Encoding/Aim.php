<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Cells\Bitrate\CompareBitrate;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/**
 * Whether rate control came to what the plan promises, and where the encoder has to aim so that the next attempt does. A size that is
 * not to be passed is never passed; two passes land within three hundredths, for which the second is run once more, and on short
 * cuts, where rate control has least to learn from and an attempt costs least, until it has landed.
 */
final readonly class Aim
{
    /** Share of a size that is aimed at: the middle of what counts as having met it. */
    private const MIDDLE = 1 - CompareBitrate::NEAR / 2;

    /** Attempts after which what came out is what there is. */
    private const MOST = 3;

    private const MOST_OF_SHORT = 5;

    /** Seconds. */
    private const SHORT = 20;

    /** Factor by which the aim moves at most from one attempt to the next. */
    private const STRIDE = 4.0;

    public function __construct(private Plan $plan)
    {
    }

    /**
     * The average to ask the encoder for next; null where the file is as promised, or trying again would not help.
     *
     * @param  non-empty-list<Attempt>  $attempts  so far
     */
    public function next(array $attempts): ?Bitrate
    {
        $last = $attempts[count($attempts) - 1];
        $isOver = $this->isOver($last->made);
        $isShort = $this->plan->duration->toFloat() <= self::SHORT;
        $most = match (true) {
            $isShort => self::MOST_OF_SHORT,
            // Once is enough for what is only not as near as it might be.
            $this->plan->bitrate->target !== null && $isOver => self::MOST,
            default => 2,
        };
        if (
            $this->plan->bitrate->average === null ||
            $this->plan->video->hardware !== null ||
            $last->made->tally->videoBytes < 1 ||
            count($attempts) >= $most ||
            (! $isOver && ! $this->isUnder($last->made))
        ) {
            return null;
        }
        $next = $this->proposal($attempts);
        $peak = $this->plan->bitrate->peak?->bitsPerSecond;
        $next = max(1, $peak === null ? $next : min($next, $peak));
        $tried = array_map(static fn (Attempt $attempt): int => $attempt->aimed->bitsPerSecond, $attempts);

        return in_array($next, $tried, true) ? null : new Bitrate($next);
    }

    /**
     * The one that comes nearest to what was promised; of two that are as near, the first.
     *
     * @param  non-empty-list<Attempt>  $attempts
     */
    public function best(array $attempts): Attempt
    {
        $best = $attempts[0];
        foreach ($attempts as $attempt) {
            if ($this->rank($attempt->made) < $this->rank($best->made)) {
                $best = $attempt;
            }
        }

        return $best;
    }

    /** @return array{bool, float} what may not be passed comes first */
    private function rank(Made $made): array
    {
        $isTooLarge = $this->plan->bitrate->target !== null && $this->isOver($made);

        return [$isTooLarge, abs(log(max(1.0, $this->got($made)) / $this->wanted($made)))];
    }

    /**
     * Where the line through the last two attempts meets what is wanted; after one, as much more or less as it missed.
     *
     * @param  non-empty-list<Attempt>  $attempts
     */
    private function proposal(array $attempts): int
    {
        $last = $attempts[count($attempts) - 1];
        $before = $attempts[count($attempts) - 2] ?? null;
        $missed = log($this->wanted($last->made) / max(1.0, $this->got($last->made)));
        $slope = 1.0;
        if ($before !== null) {
            $gained = log(max(1.0, $this->got($last->made)) / max(1.0, $this->got($before->made)));
            $moved = log($last->aimed->bitsPerSecond / $before->aimed->bitsPerSecond);
            $slope = $gained * $moved > 0 ? $gained / $moved : 1.0;
        }
        $step = max(-log(self::STRIDE), min(log(self::STRIDE), $missed / $slope));

        return (int) round($last->aimed->bitsPerSecond * exp($step));
    }

    private function isOver(Made $made): bool
    {
        $most = $this->most($made);

        return $most === null
            ? $this->plan->bitrate->passes === 2 && $this->got($made) > $this->wanted($made) * (1 + CompareBitrate::NEAR)
            : $this->got($made) > $most;
    }

    private function isUnder(Made $made): bool
    {
        $near = ($this->most($made) ?? $this->wanted($made)) * (1 - CompareBitrate::NEAR);

        return $this->plan->bitrate->passes === 2 && $this->got($made) < $near && $made->quantisers?->atFinest !== true;
    }

    /** Bits of picture per second. */
    private function got(Made $made): float
    {
        return 8 * $made->tally->videoBytes / $this->seconds();
    }

    /** Bits of picture per second that fit under the size; null where none is asked. */
    private function most(Made $made): ?float
    {
        $target = $this->plan->bitrate->target;

        return $target === null ? null : 8 * ($target - ($made->reading->bytes - $made->tally->videoBytes)) / $this->seconds();
    }

    private function wanted(Made $made): float
    {
        $most = $this->most($made);

        return max(1.0, $most === null ? (float) $this->plan->bitrate->average?->bitsPerSecond : self::MIDDLE * $most);
    }

    private function seconds(): float
    {
        return max(0.001, $this->plan->duration->toFloat());
    }
}
