<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * A plane taken apart by octaves: each band is what smoothing takes away, the next one that of the smoothed plane at half its size
 * (Smooth). Values are sixteenths of a code.
 */
final readonly class Bands
{
    /** Octaves, from the finest detail that a picture can hold to shapes of some sixteen samples. */
    public const OCTAVES = 4;

    /** Parts of a code that values are counted in, so that smoothing loses nothing that matters. */
    public const PARTS = 16;

    /**
     * @param  list<list<int>>  $bands  the finest first
     * @param  list<list<int>>  $levels  the smoothed plane that each was taken from, at its size
     */
    private function __construct(public array $bands, public array $levels)
    {
    }

    public static function of(Plane $plane): self
    {
        $level = self::parts($plane);
        [$width, $height] = [$plane->width, $plane->height];
        $bands = $levels = [];
        for ($octave = 0; $octave < self::OCTAVES && $width > 4 && $height > 4; $octave++) {
            [$band, $smooth] = self::octave($level, $width, $height);
            $bands[] = $band;
            $levels[] = $smooth;
            $level = Smooth::halve($smooth, $width, $height);
            $width = intdiv($width + 1, 2);
            $height = intdiv($height + 1, 2);
        }

        return new self($bands, $levels);
    }

    /**
     * The finest band alone.
     *
     * @return list<int>
     */
    public static function finest(Plane $plane): array
    {
        return self::octave(self::parts($plane), $plane->width, $plane->height)[0];
    }

    /** @return list<int> */
    private static function parts(Plane $plane): array
    {
        $parts = [];
        foreach ($plane->samples as $sample) {
            $parts[] = $sample * self::PARTS;
        }

        return $parts;
    }

    /**
     * @param  list<int>  $level
     * @return array{list<int>, list<int>} what smoothing takes away, and what it leaves
     */
    private static function octave(array $level, int $width, int $height): array
    {
        $smooth = Smooth::of($level, $width, $height);
        $band = [];
        foreach ($level as $i => $value) {
            $band[] = $value - $smooth[$i];
        }

        return [$band, $smooth];
    }
}
