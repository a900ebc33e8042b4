<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/**
 * Footage that was left behind in an export: a gap of black near the end, and after it a little picture that does not belong.
 * Also black at the very beginning and end. Suggests the range without them.
 */
final readonly class Leftover
{
    /** Seconds of black that make a gap. A cut between two shots passes through less. */
    private const GAP = 0.4;

    /** What comes after a gap is left over when it is this short against what came before, and in itself. */
    private const SHARE = 0.2;

    private const LONGEST = 30.0;

    /** Where the sound goes on through the gap, only a scrap is taken for left over. */
    private const SCRAP = 2.0;

    /** Seconds of black at an end that are worth cutting off. */
    private const TAIL = 0.4;

    /**
     * @param  list<Span>  $spans  left-over footage, without the gaps
     * @param  FrameRange|null  $suggested  null when there is nothing to leave out
     */
    private function __construct(public array $spans, public ?FrameRange $suggested, public ?string $reason)
    {
    }

    /**
     * @param  list<Span>  $black
     * @param  list<Span>  $silence
     */
    public static function in(int $frames, FrameRate $rate, array $black, array $silence, bool $sound): self
    {
        $second = $rate->perSecond->toFloat();
        $gaps = array_values(array_filter($black, static fn (Span $span): bool => $span->count() >= self::GAP * $second));
        $end = $frames - 1;
        $first = 0;
        $reasons = [];
        $gap = self::gap($gaps, $frames, $second, $silence, $sound);
        $spans = [];
        if ($gap !== null) {
            $from = $gap->lastFrame + 1;
            $behind = array_filter($gaps, static fn (Span $other): bool => $other->firstFrame > $gap->lastFrame);
            foreach ([...$behind, new Span($frames, $frames)] as $next) {
                if ($next->firstFrame > $from) {
                    $spans[] = new Span($from, $next->firstFrame - 1);
                }
                $from = $next->lastFrame + 1;
            }
            $end = $gap->firstFrame - 1;
            $reasons[] = 'footage after a gap';
        } elseif ($gaps !== []) {
            $tail = $gaps[count($gaps) - 1];
            if ($tail->lastFrame === $frames - 1 && $tail->firstFrame > 0 && $tail->count() >= self::TAIL * $second) {
                $end = $tail->firstFrame - 1;
                $reasons[] = 'black at the end';
            }
        }
        if ($gaps !== [] && $gaps[0]->firstFrame === 0 && $gaps[0]->lastFrame < $end && $gaps[0]->count() >= self::TAIL * $second) {
            $first = $gaps[0]->lastFrame + 1;
            $reasons[] = 'black at the beginning';
        }

        return new self($spans, $reasons === [] ? null : new FrameRange($first, $end), $reasons === [] ? null : implode(' and ', $reasons));
    }

    /**
     * The earliest gap after which only left-over footage comes.
     *
     * @param  list<Span>  $gaps
     * @param  list<Span>  $silence
     */
    private static function gap(array $gaps, int $frames, float $second, array $silence, bool $sound): ?Span
    {
        $found = null;
        $after = 0;
        $until = $frames;
        for ($i = count($gaps) - 1; $i >= 0; $i--) {
            $gap = $gaps[$i];
            $after += $until - $gap->lastFrame - 1;
            $until = $gap->firstFrame;
            $silent = ! $sound || self::isCovered($gap, $silence);
            $most = $silent
                ? min(self::LONGEST * $second, max(self::SCRAP * $second, self::SHARE * $gap->firstFrame))
                : self::SCRAP * $second;
            if ($after > $most || $after >= $gap->firstFrame) {
                break;
            }
            if ($after > 0) {
                $found = $gap;
            }
        }

        return $found;
    }

    /**
     * Sound may ring out into the gap: half of it is to be silent.
     *
     * @param  list<Span>  $silence
     */
    private static function isCovered(Span $gap, array $silence): bool
    {
        $covered = 0;
        foreach ($silence as $span) {
            $covered += max(0, min($gap->lastFrame, $span->lastFrame) - max($gap->firstFrame, $span->firstFrame) + 1);
        }

        return $covered * 2 >= $gap->count();
    }
}
