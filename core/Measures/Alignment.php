<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** Which frame of the reference each frame of a test shows: found by small grey pictures of both. */
final readonly class Alignment
{
    /** Frames by which a test is looked for before and behind its place. */
    private const REACH = 3;

    /** Part of the difference at its own place that another place has to come down to, to be taken for the right one. */
    private const CLEARLY = 0.5;

    /** Mean difference of samples of 8 bits under which two small pictures in a row are the same one: that of coding noise. */
    private const SAME = 0.35;

    /**
     * @param  int  $shift  frames by which the test is late; below 0 it is early
     * @param  int  $repeated  frames that show what the one before showed, where the reference moves on
     * @param  int  $dropped  frames of the reference that were left out
     */
    private function __construct(public int $shift, public int $repeated, public int $dropped)
    {
    }

    /**
     * @param  non-empty-list<string>  $reference  a small grey picture of each frame, a byte for each sample
     * @param  non-empty-list<string>  $test  of the same size
     */
    public static function of(array $reference, array $test): self
    {
        $picture = static fn (string $bytes): GreyPicture => new GreyPicture($bytes);
        [$own, $other] = [array_map($picture, $reference), array_map($picture, $test)];
        $known = [];
        // The same ones are asked for to find the shift, and for each frame.
        $distance = static function (int $at, int $i) use ($own, $other, &$known): float {
            return $known[$i][$at] ??= $own[$at]->distance($other[$i]);
        };
        $shift = self::shift(count($own), count($other), $distance);
        $repeated = $dropped = 0;
        $shown = null;
        foreach ($other as $i => $picture) {
            $at = self::nearest(count($own), $i, $i - $shift, $distance);
            if ($shown !== null && $at !== null) {
                $moves = isset($own[$i - $shift], $own[$i - $shift - 1]) &&
                    $own[$i - $shift]->distance($own[$i - $shift - 1]) > self::SAME;
                $repeated += $moves && $picture->distance($other[$i - 1]) <= self::SAME ? 1 : 0;
                $dropped += $moves ? max(0, $at - $shown - 1) : 0;
            }
            $shown = $at ?? $shown;
        }

        return new self($shift, $repeated, $dropped);
    }

    /** @param  callable(int, int): float  $distance  of a frame of the reference and one of the test */
    private static function shift(int $own, int $other, callable $distance): int
    {
        $best = 0;
        $least = self::CLEARLY * (self::differenceAt(0, $own, $other, $distance) ?? 0.0);
        for ($shift = -self::REACH; $shift <= self::REACH; $shift++) {
            $difference = self::differenceAt($shift, $own, $other, $distance);
            if ($difference !== null && $difference < $least) {
                [$best, $least] = [$shift, $difference];
            }
        }

        return $best;
    }

    /**
     * The mean difference of the frames that both have; null where those are under half of them.
     *
     * @param  callable(int, int): float  $distance
     */
    private static function differenceAt(int $shift, int $own, int $other, callable $distance): ?float
    {
        $sum = 0.0;
        $count = 0;
        for ($i = max(0, $shift); $i < $other && $i - $shift < $own; $i++) {
            $sum += $distance($i - $shift, $i);
            $count++;
        }

        return $count === 0 || 2 * $count < $other ? null : $sum / $count;
    }

    /**
     * The frame of the reference that a picture shows, its own place first.
     *
     * @param  callable(int, int): float  $distance
     */
    private static function nearest(int $own, int $picture, int $place, callable $distance): ?int
    {
        if ($place < 0 || $place >= $own) {
            return null;
        }
        $at = $place;
        $least = self::CLEARLY * $distance($place, $picture);
        for ($i = max(0, $place - self::REACH); $i <= min($own - 1, $place + self::REACH); $i++) {
            $difference = $distance($i, $picture);
            if ($difference < $least) {
                [$at, $least] = [$i, $difference];
            }
        }

        return $at;
    }
}
