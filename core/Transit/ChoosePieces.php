<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\FrameRange;

/**
 * Chooses the pieces of a range that are sent through a host: places that are alike in what there is to code, movement, gradients and
 * grain are put together, and the one in the middle of each group stands for it. The places that are worst for a host (most to code,
 * fastest, darkest gradients, most grain) stand beside those, for themselves and what is like them. The more a
 * piece stands for, the longer it is.
 */
final class ChoosePieces
{
    /**
     * Seconds of a piece. Encoders spend bits on what stays the same for as long as they look ahead, which short pieces end too soon: half
     * a second leaves 0.5 dB too little of calm scenes, one second 0.1 to 0.2, and two cost twice as much.
     */
    public const SECONDS = 1.0;

    /**
     * Seconds of a piece of a large picture: programs that start and a close look, which take a tenth of a test at 640×360, are a thirtieth
     * there, and that time is better spent on pieces. At 1280×720 a third more took 0.17 dB that came out too much down to 0.11.
     */
    public const LONGER = 1.3;

    /** Pixels of a picture that is large. */
    private const LARGE = 1_280 * 720;

    /** Seconds of a piece of a range that is taken whole. */
    private const SLICE = 2;

    public const USUAL = 4;

    /** Worst places that are worth a piece of their own. */
    private const WORST = 3;

    public const MOST = 24;

    /** A range that is no longer than so many times its pieces is taken whole, which leaves no doubt. */
    private const WORTH = 2.0;

    /** Seconds of a range that is taken whole where nobody asked for fewer pieces: it takes as long as a few of them. */
    private const WHOLE = 8;

    /** How long a piece is at least, beside its place. */
    private const LEAST = 0.32;

    /** Share of what there is to code at a place that there has to be beside it, for both to be of a run. */
    private const GOES_ON = 0.5;

    /** How much the ends of a range are apart by when they come, where the spread of a feature is 1. */
    private const WHEN = 0.5;

    /** How much a place has to stand out from the mean to be worth a piece of its own. */
    private const STANDS_OUT = 1.25;

    /**
     * @param  Course|null  $course  null where the cut has not been looked at: pieces are spread evenly then
     * @param  int  $framesPerSecond  whole frames that a second is counted as
     * @param  int  $count  pieces that stand for the range, 1 to MOST
     * @param  int|null  $length  frames of a piece; null for what a test takes
     * @return list<TestPiece> in the order of the cut
     */
    public static function of(
        FrameRange $range,
        ?Course $course,
        int $framesPerSecond,
        int $count = self::USUAL,
        ?int $length = null,
    ): array {
        $count = max(1, min(self::MOST, $count));
        $length ??= self::length(0, $framesPerSecond);
        $short = $count >= self::USUAL ? self::WHOLE * $framesPerSecond : 0;
        if ($range->count() <= max($short, self::WORTH * $count * $length)) {
            return self::whole($range, self::SLICE * $framesPerSecond);
        }
        $places = self::places($range, $length);
        $course ??= new Course($framesPerSecond, [], [], [], []);
        $by = array_map(
            static fn (array $list): array => self::byPlace($list, $places, $framesPerSecond),
            [$course->effort, $course->movement, $course->gradient, $course->grain],
        );
        $whys = [];
        foreach ([Why::Busiest, Why::Fastest, Why::Gradient, Why::Grainiest] as $i => $why) {
            $worst = self::worst($by[$i]);
            if ($worst !== null && count($whys) < self::WORST) {
                $whys[$worst] ??= $why;
            }
        }
        $groups = Alike::groups(self::features($by), array_keys($whys), $count);

        return self::weighed($places, $by[0], $groups, $whys, $count);
    }

    /**
     * Frames of a piece.
     *
     * @param  int  $pixels  of the picture
     */
    public static function length(int $pixels, int $framesPerSecond): int
    {
        return (int) round(($pixels < self::LARGE ? self::SECONDS : self::LONGER) * $framesPerSecond);
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
     * What there is of each thing at each place, in units of how much that differs; what does not differ parts nothing. Effort, which
     * says most of what a host leaves, counts double; when it comes, a little, so that of places that are alike each scene has one.
     *
     * @param  list<list<float>>  $by  effort, movement, gradient and grain, by place
     * @return non-empty-list<non-empty-list<float>>
     */
    private static function features(array $by): array
    {
        $count = count($by[0]);
        $scaled = [];
        foreach ([[2.0, true], [1.0, true], [1.0, false], [1.0, true]] as $i => [$weight, $isRatio]) {
            $values = $isRatio ? array_map(static fn (float $value): float => log(1 + max(0.0, $value)), $by[$i]) : $by[$i];
            $mean = array_sum($values) / max(1, $count);
            $deviation = sqrt(array_sum(array_map(static fn (float $value): float => ($value - $mean) ** 2, $values)) / max(1, $count));
            $scaled[] = array_map(
                static fn (float $value): float => $deviation < 1e-9 ? 0.0 : $weight * ($value - $mean) / $deviation,
                $values,
            );
        }
        $features = [];
        for ($at = 0; $at < $count; $at++) {
            $features[] = [...array_column($scaled, $at), self::WHEN * $at / $count];
        }

        return $features === [] ? [[0.0]] : $features;
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
     * Each piece stands for the places of its group, and is as long as that is much of the range, worst or not: what one that stands for
     * little is off by counts for little. All together are about as long as one place more than were asked for.
     *
     * @param  list<FrameRange>  $places
     * @param  list<float>  $effort
     * @param  array<int, non-empty-list<int>>  $groups  by the place that stands for it
     * @param  array<int, Why>  $whys  of those that are worst
     * @param  int  $count  pieces that were asked for
     * @return list<TestPiece>
     */
    private static function weighed(array $places, array $effort, array $groups, array $whys, int $count): array
    {
        $pieces = [];
        foreach ($groups as $place => $members) {
            $mean = array_sum(array_map(static fn (int $one): float => $effort[$one], $members)) / count($members);
            $share = count($members) / count($places);
            $pieces[] = new TestPiece(
                self::middle($places[$place], max(self::LEAST, min(1.0, $share * ($count + 1)))),
                $share,
                $effort[$place] > 0 ? $mean / $effort[$place] : 1.0,
                $whys[$place] ?? Why::Typical,
                max(0.0, $effort[$place]),
                self::run($effort, $place) * $places[$place]->count(),
            );
        }

        return $pieces;
    }

    /**
     * Places in a row around one, itself among them, at which there is about as much to code.
     *
     * @param  list<float>  $effort
     */
    private static function run(array $effort, int $place): int
    {
        $least = self::GOES_ON * $effort[$place];
        for ($first = $place; $first > 0 && $effort[$first - 1] >= $least; $first--) {
            continue;
        }
        for ($last = $place; $last < count($effort) - 1 && $effort[$last + 1] >= $least; $last++) {
            continue;
        }

        return $last - $first + 1;
    }

    /** A part of a place, from its middle. */
    private static function middle(FrameRange $place, float $part): FrameRange
    {
        $frames = max(1, (int) round($part * $place->count()));
        $first = $place->first + intdiv($place->count() - $frames, 2);

        return new FrameRange($first, $first + $frames - 1);
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
