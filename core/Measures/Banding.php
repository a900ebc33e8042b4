<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * How visible false contours are, after CAMBI (Tandon et al., CAMBI: Contrast-aware Multiscale Banding Index, Picture Coding Symposium
 * 2021): around each place in a smooth area, how evenly its own brightness and one a small step away share the window; the steps by how
 * well they are seen; the worst places pooled; the same at half the size, and so on. Two things are ours: the steps go on to those of
 * 6 bits, since a host may be that coarse, and places are taken on a grid.
 *
 * @see https://arxiv.org/abs/2102.00079
 */
final class Banding
{
    /** Steps in codes of 10 bits: those of 10, 9, 8, 7 and 6 bits, and between. */
    private const STEPS = [1, 2, 3, 4, 6, 8, 12, 16];

    /** Up to here a step counts as much as it is high, as in the paper; from here on two more for each doubling. */
    private const LARGEST = 4;

    /** Share of a step in luminance that is seen at all (the paper's threshold of visibility). */
    private const VISIBLE = 0.019;

    /** Weights of the scales, the finest first. */
    private const SCALES = [16, 8, 4, 2, 1];

    /** Places of 49 around one that have to be as their neighbours for it to lie in a smooth area. */
    private const SMOOTH = 24;

    /** Window in samples of a picture of 1080 lines: about a degree, seen from three heights away. */
    private const WINDOW = 33;

    /** Share of the places that is pooled: the worst. */
    private const POOLED = 0.6;

    /** Places are this far apart in both directions. */
    public const GRID = 2;

    /** From here on bands are seen: a gentle ramp in 8 bits without dither comes to three times that. */
    public const SEEN = 0.1;

    /** @var array<int, array<int, float|int>>|null by step: weight by code, 0 where it is not seen */
    private static ?array $weights = null;

    /**
     * 0 for none.
     *
     * @param  int  $lines  of the whole picture that the plane is a window of
     */
    public static function of(Plane $plane, int $lines): float
    {
        $samples = self::undithered($plane);
        [$width, $height] = [$plane->width, $plane->height];
        $reach = self::reach($lines);
        $score = 0.0;
        foreach (self::SCALES as $scale => $weight) {
            if ($width < 16 || $height < 16) {
                break;
            }
            $score += $weight * self::pooled(self::seen($samples, $width, $height, $reach));
            $samples = Smooth::halve($samples, $width, $height);
            $width = intdiv($width + 1, 2);
            $height = intdiv($height + 1, 2);
        }

        return $score / array_sum(self::SCALES);
    }

    /**
     * How strongly a step is seen at each place of the grid, at the finest scale.
     *
     * @param  int  $lines  of the whole picture that the plane is of
     * @return list<float> row by row, a place in every GRID samples of every GRID rows
     */
    public static function places(Plane $plane, int $lines): array
    {
        return self::seen(self::undithered($plane), $plane->width, $plane->height, self::reach($lines));
    }

    private static function reach(int $lines): int
    {
        return max(4, min(32, (int) round(self::WINDOW / 2 * $lines / 1080)));
    }

    /**
     * The mean of two by two: dither is a pattern of single samples, and no band.
     *
     * @return list<int>
     */
    private static function undithered(Plane $plane): array
    {
        [$width, $height, $p] = [$plane->width, $plane->height, $plane->samples];
        $means = [];
        for ($y = 0; $y < $height; $y++) {
            $row = $y * $width;
            $next = min($height - 1, $y + 1) * $width;
            // What stands beside a sample is the next one's own.
            $here = $p[$row] + $p[$next];
            for ($x = 1; $x < $width; $x++) {
                $beside = $p[$row + $x] + $p[$next + $x];
                $means[] = $here + $beside + 2 >> 2;
                $here = $beside;
            }
            $means[] = 2 * $here + 2 >> 2;
        }

        return $means;
    }

    /**
     * How strongly a step is seen at each place of the grid.
     *
     * @param  list<int>  $p
     * @return list<float>
     */
    private static function seen(array $p, int $width, int $height, int $reach): array
    {
        $isSmooth = self::smooth($p, $width, $height);
        $weights = self::weights();
        $area = (2 * $reach + 1) ** 2;
        $seen = [];
        for ($y = 0; $y < $height; $y += self::GRID) {
            if (! in_array(true, array_slice($isSmooth, $y * $width, $width), true)) {
                array_push($seen, ...array_fill(0, intdiv($width + self::GRID - 1, self::GRID), 0.0));

                continue;
            }
            $top = max(0, $y - $reach) * $width;
            $bottom = min($height - 1, $y + $reach) * $width;
            $counts = array_fill(0, 1024, 0);
            $right = -1;
            $left = 0;
            for ($x = 0; $x < $width; $x += self::GRID) {
                $end = $x + $reach < $width ? $x + $reach : $width - 1;
                for (; $right < $end; $right++) {
                    for ($i = $top + $right + 1, $stop = $bottom + $right + 1; $i <= $stop; $i += $width) {
                        if ($isSmooth[$i]) {
                            $counts[$p[$i]]++;
                        }
                    }
                }
                for (; $left < $x - $reach; $left++) {
                    for ($i = $top + $left, $stop = $bottom + $left; $i <= $stop; $i += $width) {
                        if ($isSmooth[$i]) {
                            $counts[$p[$i]]--;
                        }
                    }
                }
                $i = $y * $width + $x;
                $most = 0.0;
                if ($isSmooth[$i]) {
                    $code = $p[$i];
                    $own = $counts[$code];
                    foreach (self::STEPS as $step) {
                        $above = $counts[$code + $step] ?? 0;
                        $other = $counts[$code - $step] ?? 0;
                        $other = $above > $other ? $above : $other;
                        if ($other > 0) {
                            $strength = $weights[$step][$code] * $own * $other / ($own + $other);
                            $most = $strength > $most ? $strength : $most;
                        }
                    }
                }
                $seen[] = $most / $area;
            }
        }

        return $seen;
    }

    /**
     * Where the picture is smooth: most places around are as those beside and below them.
     *
     * @param  list<int>  $p
     * @return list<bool>
     */
    private static function smooth(array $p, int $width, int $height): array
    {
        $sums = array_fill(0, ($width + 1) * ($height + 1), 0);
        for ($y = 0; $y < $height; $y++) {
            $run = 0;
            $i = $y * $width;
            $below = $y < $height - 1 ? $width : 0;
            $sum = ($y + 1) * ($width + 1);
            $here = $p[$i];
            for ($last = $i + $width - 1; $i <= $last; $i++) {
                $beside = $i < $last ? $p[$i + 1] : $here;
                $run += $here === $beside && $here === $p[$i + $below] ? 1 : 0;
                $sum++;
                $sums[$sum] = $sums[$sum - $width - 1] + $run;
                $here = $beside;
            }
        }
        $isSmooth = [];
        for ($y = 0; $y < $height; $y++) {
            $top = max(0, $y - 3) * ($width + 1);
            $bottom = min($height, $y + 4) * ($width + 1);
            for ($x = 0; $x < $width; $x++) {
                $left = $x < 3 ? 0 : $x - 3;
                $right = $x > $width - 4 ? $width : $x + 4;
                $isSmooth[] = $sums[$bottom + $right] - $sums[$bottom + $left] - $sums[$top + $right] + $sums[$top + $left] >= self::SMOOTH;
            }
        }

        return $isSmooth;
    }

    /** @param  list<float>  $seen */
    private static function pooled(array $seen): float
    {
        rsort($seen);
        $worst = array_slice($seen, 0, max(1, (int) (self::POOLED * count($seen))));

        return array_sum($worst) / count($worst);
    }

    /** @return array<int, array<int, float|int>> */
    private static function weights(): array
    {
        if (self::$weights === null) {
            self::$weights = [];
            foreach (self::STEPS as $step) {
                for ($code = 0; $code < 1024; $code++) {
                    $here = self::luminance($code);
                    $isSeen = self::luminance($code + $step) - $here > self::VISIBLE * $here;
                    $weight = $step <= self::LARGEST ? $step : self::LARGEST + 2 * log($step / self::LARGEST, 2);
                    self::$weights[$step][$code] = $isSeen ? $weight : 0;
                }
            }
        }

        return self::$weights;
    }

    /** cd/m² on a screen of 300 with blacks of 0.01 (ITU-R BT.1886, annex 1). */
    private static function luminance(int $code): float
    {
        $level = max(0.0, min(1.0, ($code - Plane::BLACK) / (Plane::WHITE - Plane::BLACK)));
        $black = 0.01 ** (1 / 2.4);
        $white = 300 ** (1 / 2.4);

        return ($white - $black) ** 2.4 * ($level + $black / ($white - $black)) ** 2.4;
    }
}
