<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Units\Bitrate;

/** Which plans are sampled, and what their pieces say of the whole. */
final class Sampling
{
    /** Seconds to start the engine, which come once for each piece and would be taken for making. */
    private const START = 0.12;

    /** Share of the average above which pieces leave no doubt that it is used up. */
    private const USED_UP = 0.95;

    /** The size of such a file depends on what is in the picture: a calm one does not use up its average either. */
    public static function isWorthwhile(Plan $plan): bool
    {
        if (! $plan->hasVideo()) {
            return false;
        }

        return match ($plan->bitrate->mode) {
            BitrateMode::Cbr => false,
            default => true,
        };
    }

    /**
     * The plan with ample to spend: what a piece comes to with it shows whether the average will be used up. With its own average
     * a piece cannot, since it spends that by itself. Twice what the peak lets through is ample, and costs no more time than that.
     *
     * @param  Sample  $planned  what pieces came to with the plan as it is
     * @return Plan|null null where there is no average that could be left unused, or where every piece used it up by itself
     */
    public static function ample(Plan $plan, Sample $planned): ?Plan
    {
        $average = $plan->bitrate->average;
        if (
            $plan->bitrate->mode !== BitrateMode::Vbr ||
            $average === null ||
            $planned->bytesPerFrame * 8 * $plan->frameRate->rate->perSecond->toFloat() > self::USED_UP * $average->bitsPerSecond
        ) {
            return null;
        }
        // Two passes find their average in a short piece, too.
        $passes = $plan->video->codec->hasTwoPasses() && $plan->video->hardware === null ? 2 : 1;

        return $plan->atBitrate(
            new BitrateValue(BitrateMode::Vbr, $passes, new Bitrate(2 * ($plan->bitrate->peak ?? $average)->bitsPerSecond)),
        );
    }

    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<PieceResult>  $results  in the same order
     */
    public static function conclude(Plan $plan, array $pieces, array $results): Sample
    {
        // What was encoded whole came to what it came to.
        $each = count($results) === 1 ? [$results[0]->mean()] : self::each($plan, $pieces, $results, null);
        $frames = array_sum(array_map(static fn (PieceResult $result): int => $result->frames, $results));
        $seconds = array_sum(array_map(static fn (PieceResult $result): float => max(0.01, $result->seconds - self::START), $results));

        return new Sample(
            self::mean($pieces, $each),
            count($pieces) === 1 ? 2 : self::doubt($pieces, $each),
            $seconds / max(1, $frames),
            $frames,
            self::sound($results),
            file: count($results) === 1 ? $results[0]->file : null,
        );
    }

    /**
     * The same, once it is known what pieces take with ample to spend.
     *
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<PieceResult>  $ample  in the same order
     */
    public static function concludeAmple(Plan $plan, Sample $planned, array $pieces, array $ample): Sample
    {
        $each = self::each($plan, $pieces, $ample, $plan->bitrate->peak);

        return $planned->withAmple(self::mean($pieces, $each), self::doubt($pieces, $each));
    }

    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<float>  $each
     */
    private static function doubt(array $pieces, array $each): int
    {
        $mean = self::mean($pieces, $each);

        return min(
            self::margin($each, $mean),
            self::margin(self::unexplained($each, array_map(static fn (Piece $piece): float => $piece->complexity, $pieces), $mean), $mean),
        );
    }

    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<PieceResult>  $results
     * @return non-empty-list<float> bytes of a frame in the part that each piece stands for
     */
    private static function each(Plan $plan, array $pieces, array $results, ?Bitrate $peak): array
    {
        $most = $peak === null ? INF : $peak->bitsPerSecond / 8 / $plan->frameRate->rate->perSecond->toFloat();

        return array_map(
            static fn (Piece $piece, PieceResult $result): float => min(
                $most,
                $result->bytesPerFrame($plan->keyframes->frames) *
                    $piece->weight *
                    ($peak === null ? 1.0 : $result->shareUnder($peak->bitsPerSecond)),
            ),
            $pieces,
            $results,
        );
    }

    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<float>  $each
     */
    private static function mean(array $pieces, array $each): float
    {
        return array_sum(array_map(static fn (Piece $piece, float $bytes): float => $piece->share * $bytes, $pieces, $each));
    }

    /** @param  non-empty-list<PieceResult>  $results */
    private static function sound(array $results): ?float
    {
        $bytes = array_sum(array_map(static fn (PieceResult $result): int => $result->soundBytes, $results));
        $length = array_sum(array_map(static fn (PieceResult $result): float => $result->length, $results));

        return $bytes === 0 || $length <= 0 ? null : $bytes / $length;
    }

    /**
     * What is left of the differences between pieces once those are taken out that their detail and motion foretold.
     *
     * @param  non-empty-list<float>  $each
     * @param  list<float>  $complexities
     * @return non-empty-list<float>
     */
    private static function unexplained(array $each, array $complexities, float $mean): array
    {
        $scale = array_sum($complexities) <= 0 ? 0.0 : array_sum($each) / array_sum($complexities);
        if ($scale <= 0) {
            return $each;
        }

        return array_map(static fn (float $bytes, float $complexity): float => $mean + $bytes - $scale * $complexity, $each, $complexities);
    }

    /**
     * About two standard errors of the mean: nineteen times in twenty the whole lies within.
     *
     * @param  non-empty-list<float>  $each
     */
    private static function margin(array $each, float $mean): int
    {
        $count = count($each);
        $squares = array_sum(array_map(static fn (float $bytes): float => ($bytes - $mean) ** 2, $each));
        $error = sqrt($squares / max(1, $count - 1) / $count);

        return (int) max(3, min(60, ceil((200 * $error) / max(1.0, $mean))));
    }
}
