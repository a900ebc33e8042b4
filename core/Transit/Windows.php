<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/**
 * The places of a frame that are looked at closely: where there is most detail, where it is darkest and not black, and where it is
 * smoothest and not flat. Chosen by the cut alone, so that every candidate is looked at in the same places.
 */
final class Windows
{
    /** Pixels of a side at most, and at least; in between, a third of the lines. */
    public const SIDE = 192;

    private const LEAST = 96;

    private const OF_LINES = 1 / 3;

    /** Every so many pixels one is looked at. */
    public const STRIDE = 8;

    /** Codes from one sample to the next, on the mean, under which a place is flat: rounding to 10 bits and no more. */
    private const FLAT = 0.25;

    /**
     * @param  int  $width  of the frame, in pixels
     * @param  list<int>  $samples  one of every STRIDE pixels of every STRIDE rows, row by row
     * @return non-empty-list<array{int, int}> left and top of each, even; sides() tells how large they are
     */
    public static function of(int $width, int $height, array $samples): array
    {
        [$across, $down] = [intdiv($width - 1, self::STRIDE) + 1, intdiv($height - 1, self::STRIDE) + 1];
        [$wide, $high] = self::sides($width, $height);
        $places = [];
        for ($top = 0; $top + $high <= $height; $top += max(self::STRIDE, intdiv($high, 2))) {
            for ($left = 0; $left + $wide <= $width; $left += max(self::STRIDE, intdiv($wide, 2))) {
                $sum = $steps = $count = 0;
                for ($y = intdiv($top + self::STRIDE - 1, self::STRIDE); $y * self::STRIDE < $top + $high && $y < $down; $y++) {
                    for ($x = intdiv($left + self::STRIDE - 1, self::STRIDE); $x * self::STRIDE < $left + $wide && $x < $across; $x++) {
                        $code = $samples[$y * $across + $x];
                        $sum += $code;
                        $steps += abs($code - ($x > 0 ? $samples[$y * $across + $x - 1] : $code));
                        $count++;
                    }
                }
                $places[] = [
                    'left' => $left & ~1,
                    'top' => $top & ~1,
                    'mean' => $sum / max(1, $count),
                    'varies' => $steps / max(1, $count),
                ];
            }
        }
        $lively = array_values(array_filter($places, static fn (array $place): bool => $place['varies'] > self::FLAT)) ?: $places;
        $chosen = [];
        foreach ([
            static fn (array $a, array $b): int => $b['varies'] <=> $a['varies'],
            static fn (array $a, array $b): int => $a['mean'] <=> $b['mean'],
            static fn (array $a, array $b): int => $a['varies'] <=> $b['varies'],
        ] as $order) {
            usort($lively, $order);
            foreach ($lively as ['left' => $left, 'top' => $top]) {
                if (! in_array([$left, $top], $chosen, true)) {
                    $chosen[] = [$left, $top];
                    break;
                }
            }
        }

        return $chosen === [] ? [[0, 0]] : $chosen;
    }

    /** @return array{int, int} width and height of a window in a frame of this size; even */
    public static function sides(int $width, int $height): array
    {
        $side = (int) max(self::LEAST, min(self::SIDE, self::OF_LINES * min($width, $height)));

        return [min($side, $width) & ~1, min($side, $height) & ~1];
    }
}
