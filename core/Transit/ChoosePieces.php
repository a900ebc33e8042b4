<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\FrameRange;

/**
 * Chooses the pieces of a range that are sent through a host: by how much there is to code, the range falls into as many classes of
 * the same length as there are pieces; of each class the piece nearest to its mean stands for it. The places that are worst for a
 * host (most to code, fastest, darkest gradients, most grain) take the place of those, or stand beside them.
 */
final class ChoosePieces
{
    /** Seconds of a piece at most: what is measured on longer ones is the same place once more. */
    public const SECONDS = 1.0;

    /** Seconds of a piece at least: long enough for prediction from frame to frame to be most of what is coded. */
    private const FEWEST = 0.5;

    /** Share of a short range that its pieces come to, about: a minute is tested in a tenth of the time of all of it. */
    private const SHARE = 0.08;

    /** Pieces that stand beside the typical ones, about: places that are worst. */
    private const WORST = 2;

    /** Seconds of a piece of a range that is taken whole. */
    private const SLICE = 2;

    public const USUAL = 6;

    public const MOST = 24;

    /** A range that is no longer than so many times its pieces is taken whole, which leaves no doubt. */
    private const WORTH = 1.5;

    /** Seconds of a range that is taken whole where nobody asked for fewer pieces: it takes as long as a few of them. */
    private const WHOLE = 8;

    /** How much a place has to stand out from the mean to be worth a piece of its own. */
    private const STANDS_OUT = 1.25;

    /**
     * @param  Course|null  $course  null where the cut has not been looked at: pieces are spread evenly then
     * @param  int  $framesPerSecond  whole frames that a second is counted as
     * @param  int  $count  pieces that stand for the range, 1 to MOST
     * @param  int|null  $length  frames of a piece; null for what a test takes
     * @return list<TestPiece> in the order of the cut
     */
    public static function of(FrameRange $range, ?Course $course, int $framesPerSecond, int $count = self::USUAL, ?int $length = null): array
    {
        $count = max(1, min(self::MOST, $count));
        $length ??= self::length($range, $framesPerSecond, $count);
        $short = $count >= self::USUAL ? self::WHOLE * $framesPerSecond : 0;
        if ($range->count() <= max($short, self::WORTH * $count * $length)) {
            return self::whole($range, self::SLICE * $framesPerSecond);
        }
        $places = self::places($range, $length);
        $course ??= new Course($framesPerSecond, [], [], [], []);
        $effort = self::byPlace($course->effort, $places, $framesPerSecond);
        $whys = self::typical($effort, $count);
        foreach ([
            [Why::Busiest, $effort], [Why::Fastest, self::byPlace($course->movement, $places, $framesPerSecond)],
            [Why::Gradient, self::byPlace($course->gradient, $places, $framesPerSecond)],
            [Why::Grainiest, self::byPlace($course->grain, $places, $framesPerSecond)],
        ] as [$why, $values]) {
            $worst = self::worst($values);
            if ($worst !== null) {
                $whys[$worst] = $why;
            }
        }

        return self::weighed($places, $effort, $whys, $count);
    }

    /** Frames of a piece. */
    private static function length(FrameRange $range, int $framesPerSecond, int $count): int
    {
        $length = self::SHARE * $range->count() / ($count + self::WORST);

        return max(2, (int) round(min(self::SECONDS * $framesPerSecond, max(self::FEWEST * $framesPerSecond, $length))));
    }

    /**
     * Piece after piece, a rest with the one before it.
     *
     * @return list<TestPiece>
     */
    private static function whole(FrameRange $range, int $length): array
    {
        $places = self::places($range, $length);
        $last = array_pop($places);
        $places[] = new FrameRange($last->first ?? $range->first, $range->last);

        return array_map(
            static fn (FrameRange $place): TestPiece => new TestPiece($place, $place->count() / $range->count(), 1.0, Why::Whole),
            $places,
        );
    }

    /** @return list<FrameRange> */
    private static function places(FrameRange $range, int $length): array
    {
        $places = [];
        for ($first = $range->first; $first + $length - 1 <= $range->last; $first += $length) {
            $places[] = new FrameRange($first, $first + $length - 1);
        }

        return $places;
    }

    /**
     * Places by class: its number for each.
     *
     * @param  list<float>  $effort
     * @return array<int, int>
     */
    private static function classes(array $effort, int $count): array
    {
        $order = array_keys($effort);
        usort($order, static fn (int $a, int $b): int => [$effort[$a], $a] <=> [$effort[$b], $b]);
        $classes = [];
        foreach ($order as $rank => $place) {
            $classes[$place] = intdiv($rank * $count, count($order));
        }

        return $classes;
    }

    /**
     * @param  list<float>  $effort
     * @return array<int, Why> by place
     */
    private static function typical(array $effort, int $count): array
    {
        $whys = [];
        $classes = self::classes($effort, $count);
        for ($class = 0; $class < $count; $class++) {
            $own = array_keys($classes, $class, true);
            sort($own);
            $mean = array_sum(array_map(static fn (int $place): float => $effort[$place], $own)) / max(1, count($own));
            // Of places that are alike, the one in the middle of the cut's own order.
            $middle = $own[intdiv(count($own), 2)] ?? 0;
            $off = static fn (int $place): array => [abs($effort[$place] - $mean), abs($place - $middle)];
            usort($own, static fn (int $a, int $b): int => $off($a) <=> $off($b));
            $whys[$own[0] ?? 0] = Why::Typical;
        }

        return $whys;
    }

    /**
     * The place that stands out; null where none does.
     *
     * @param  list<float>  $values
     */
    private static function worst(array $values): ?int
    {
        $most = $values === [] ? 0.0 : max($values);

        return $most > self::STANDS_OUT * array_sum($values) / max(1, count($values)) ? (int) array_search($most, $values, true) : null;
    }

    /**
     * Every class has the same share; where more pieces than one lie in it, they part it between them.
     *
     * @param  list<FrameRange>  $places
     * @param  list<float>  $effort
     * @param  array<int, Why>  $whys
     * @return list<TestPiece>
     */
    private static function weighed(array $places, array $effort, array $whys, int $count): array
    {
        $classes = self::classes($effort, $count);
        ksort($whys);
        $pieces = [];
        foreach ($whys as $place => $why) {
            $own = array_keys($classes, $classes[$place], true);
            $sharing = array_values(array_filter(array_keys($whys), static fn (int $other): bool => $classes[$other] === $classes[$place]));
            $mean = array_sum(array_map(static fn (int $one): float => $effort[$one], $own)) / count($own);
            $chosen = array_sum(array_map(static fn (int $one): float => $effort[$one], $sharing)) / count($sharing);
            $pieces[] = new TestPiece(
                $places[$place],
                count($own) / count($places) / count($sharing),
                $chosen > 0 ? $mean / $chosen : 1.0,
                $why,
            );
        }

        return $pieces;
    }

    /**
     * @param  list<float>  $list  by second; empty where nothing is known, and every place counts the same
     * @param  list<FrameRange>  $places
     * @return list<float>
     */
    private static function byPlace(array $list, array $places, int $framesPerSecond): array
    {
        return array_map(static function (FrameRange $place) use ($list, $framesPerSecond): float {
            $from = intdiv($place->first, $framesPerSecond);
            $values = array_slice($list, $from, intdiv($place->last, $framesPerSecond) - $from + 1);

            return $values === [] ? 1.0 : array_sum($values) / count($values);
        }, $places);
    }
}
