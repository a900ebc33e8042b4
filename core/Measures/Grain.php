<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * The grain of a window of two frames in a row: what changes from the one to the other where nothing moves. Motion is what also changes
 * when grain is smoothed away.
 */
final readonly class Grain
{
    /** Codes by which the smoothed picture may change where nothing moves: a step of 8 bits, which hides the grain that is left in it. */
    private const STILL = 4;

    /** Places that were looked at. */
    public int $places;

    /**
     * Places of the window where nothing moves.
     *
     * @var list<int>
     */
    public array $still;

    /** Energy of the grain at these places, in sixteenths of a code squared. */
    public int $energy;

    public function __construct(Plane $first, Plane $second)
    {
        [$width, $height] = [$first->width, $first->height];
        $change = self::change($first, $second);
        $smooth = Smooth::of($change, $width, $height);
        // Smoothed at half and at a quarter of the size: what is left there is motion.
        $half = Smooth::of(Smooth::halve($smooth, $width, $height), intdiv($width + 1, 2), intdiv($height + 1, 2));
        $coarse = Smooth::of(
            Smooth::halve($half, intdiv($width + 1, 2), intdiv($height + 1, 2)),
            intdiv($width + 3, 4),
            intdiv($height + 3, 4),
        );
        $stride = intdiv($width + 3, 4);
        $most = self::STILL * Bands::PARTS;
        $still = [];
        for ($y = 0; $y < $height; $y++) {
            $row = ($y >> 2) * $stride;
            for ($x = 0; $x < $width; $x++) {
                $moved = $coarse[$row + ($x >> 2)];
                if ($moved <= $most && $moved >= -$most) {
                    $still[] = $y * $width + $x;
                }
            }
        }
        $this->places = $width * $height;
        $this->still = $still;
        $this->energy = self::between($change, $smooth, $still);
    }

    /** Energy of the grain of the same window of another file, at the same places. */
    public function energyOf(Plane $first, Plane $second): int
    {
        if ($this->still === []) {
            return 0;
        }
        $change = self::change($first, $second);

        return self::between($change, Smooth::of($change, $first->width, $first->height), $this->still);
    }

    /**
     * @param  list<int>  $change
     * @param  list<int>  $smooth
     * @param  list<int>  $places
     */
    private static function between(array $change, array $smooth, array $places): int
    {
        $energy = 0;
        foreach ($places as $i) {
            $grain = $change[$i] - $smooth[$i];
            $energy += $grain * $grain;
        }

        return $energy;
    }

    /** @return list<int> sixteenths of a code */
    private static function change(Plane $first, Plane $second): array
    {
        $change = [];
        foreach ($second->samples as $i => $sample) {
            $change[] = ($sample - $first->samples[$i]) * Bands::PARTS;
        }

        return $change;
    }
}
