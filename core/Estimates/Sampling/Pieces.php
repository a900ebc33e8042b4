<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

use OuterCrate\Analysis\Found;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/**
 * Chooses the pieces of a range to encode: it is divided evenly, and from each part that second or two is taken whose detail
 * and motion lie nearest to those of the part. What they still differ by is made up for by a weight.
 */
final class Pieces
{
    /** A range this much longer than its pieces is worth sampling; a shorter one is encoded whole, which leaves no doubt. */
    private const WORTH = 2.0;

    /** Rate control in one pass takes about so many seconds to find its average: a range no longer than that is encoded whole … */
    private const SETTLING = 45;

    /** … unless that is more work than a few pieces are: pixels, of 45 s of 1080p at 25 fps. */
    private const MOST_PIXELS = 2_400_000_000;

    private const SECONDS = 2.0;

    /** So many times as many pieces still fit into a range that is worth sampling. */
    private const MORE = 2;

    /** Where every frame stands by itself, few frames tell as much. */
    private const INTRA_SECONDS = 0.4;

    /** How strongly size follows detail times motion: rate control and prediction soften it. */
    private const EXPONENT = 0.5;

    /** @return non-empty-list<Piece> */
    public static function of(Plan $plan, Reading $reading, ?Found $found): array
    {
        $rate = $reading->mainVideo()?->frameRate->perSecond->toFloat() ?? 25.0;

        return self::isOne($plan, $reading)
            ? [new Piece($plan->range, 1.0, 1.0)]
            : self::spread($plan, $rate, self::count($plan, $rate), $found);
    }

    /** Whether a range is encoded whole. */
    public static function isOne(Plan $plan, Reading $reading): bool
    {
        $rate = $reading->mainVideo()?->frameRate->perSecond->toFloat() ?? 25.0;

        return $plan->range->count() < self::count($plan, $rate) * self::length($plan, $rate) * self::WORTH ||
            self::isStillSettling($plan, $plan->range->count() / $rate);
    }

    /**
     * Twice as many, where an average is at stake: what busy parts may spend depends on what calm ones leave.
     *
     * @return non-empty-list<Piece>
     */
    public static function more(Plan $plan, Reading $reading, ?Found $found): array
    {
        $rate = $reading->mainVideo()?->frameRate->perSecond->toFloat() ?? 25.0;

        return self::spread($plan, $rate, self::MORE * self::count($plan, $rate), $found);
    }

    /** Frames of a piece. */
    private static function length(Plan $plan, float $rate): int
    {
        return max(4, (int) round($rate * ($plan->keyframes->isIntra() ? self::INTRA_SECONDS : self::SECONDS)));
    }

    /** @return int<1, max> */
    private static function count(Plan $plan, float $rate): int
    {
        return match (true) {
            $plan->range->count() > 600 * $rate => 10,
            $plan->range->count() > 60 * $rate => 6,
            default => $plan->keyframes->isIntra() ? 6 : 4,
        };
    }

    /**
     * @param  int<1, max>  $count
     * @return non-empty-list<Piece>
     */
    private static function spread(Plan $plan, float $rate, int $count, ?Found $found): array
    {
        $length = self::length($plan, $rate);
        $range = $plan->range;
        $pieces = [];
        for ($i = 0; $i < $count; $i++) {
            $from = $range->first + intdiv($i * $range->count(), $count);
            $to = $range->first + intdiv(($i + 1) * $range->count(), $count) - 1;
            $pieces[] = self::within($from, $to, $length, $range->count(), $rate, $found, $plan->keyframes->isIntra());
        }

        return $pieces;
    }

    private static function isStillSettling(Plan $plan, float $seconds): bool
    {
        return $plan->bitrate->mode === BitrateMode::Vbr &&
            $plan->bitrate->passes === 1 &&
            $seconds <= self::SETTLING &&
            $plan->frames * $plan->frameSize->picture->pixels() <= self::MOST_PIXELS;
    }

    private static function within(int $from, int $to, int $length, int $all, float $rate, ?Found $found, bool $intra): Piece
    {
        $share = ($to - $from + 1) / $all;
        $middle = intdiv($from + $to + 1 - $length, 2);
        if ($found === null || $found->detail === []) {
            return new Piece(new FrameRange($middle, $middle + $length - 1), $share, 1.0);
        }
        $mean = self::complexity($found, $from / $rate, ($to + 1) / $rate, $intra);
        $best = $middle;
        $nearest = INF;
        for ($start = $from; $start + $length - 1 <= $to; $start += max(1, (int) ($rate / 2))) {
            $apart = abs(self::complexity($found, $start / $rate, ($start + $length) / $rate, $intra) - $mean);
            if ($apart < $nearest) {
                [$best, $nearest] = [$start, $apart];
            }
        }
        $own = self::complexity($found, $best / $rate, ($best + $length) / $rate, $intra);

        return new Piece(
            new FrameRange($best, $best + $length - 1),
            $share,
            $own <= 0 ? 1.0 : max(0.5, min(2.0, ($mean / $own) ** self::EXPONENT)),
            $own,
        );
    }

    /** Mean of detail, and of motion with it where frames are built on others, between two moments in seconds. */
    private static function complexity(Found $found, float $from, float $to, bool $intra): float
    {
        $sum = 0.0;
        $weight = 0.0;
        for ($second = (int) floor($from); $second < $to; $second++) {
            $part = min($to, $second + 1) - max($from, $second);
            $sum += $part * ($found->detail[$second] ?? 0.0) * ($intra ? 1.0 : 1.0 + ($found->motion[$second] ?? 0.0));
            $weight += $part;
        }

        return $weight <= 0 ? 0.0 : $sum / $weight;
    }
}
