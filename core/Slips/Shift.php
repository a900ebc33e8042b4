<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Measures\GreyPicture;

/** By how many frames of the cut a picture of the file lies beside the one that is due. */
final class Shift
{
    /** Frames of the cut to both sides of the due ones that are looked at. */
    public const REACH = 10;

    /** Grey levels that rounding and coding leave between two little pictures of one frame. */
    private const NOISE = 1.0;

    /** Another frame is the one that is shown where it leaves at most this share of what the due one leaves. */
    private const CLEAR = 0.5;

    /**
     * @param  array<int, GreyPicture>  $pictures  of the cut, by number
     * @param  array{int, int}  $due  numbers of the first and the last that may be shown
     * @return int 0 where it is a due one, or where the pictures are too much alike to tell
     */
    public static function of(GreyPicture $made, array $pictures, array $due): int
    {
        $unlike = array_map(static fn (GreyPicture $picture): float => $made->unlike($picture), $pictures);
        $isDue = static fn (int $number): bool => $number >= $due[0] && $number <= $due[1];
        $dues = array_filter($unlike, $isDue, ARRAY_FILTER_USE_KEY);
        $least = $dues === [] ? 0.0 : min($dues);
        asort($unlike);
        $found = array_key_first($unlike) ?? $due[0];
        if ($least <= self::NOISE || $isDue($found) || $unlike[$found] > self::CLEAR * $least) {
            return 0;
        }

        return $found - ($found < $due[0] ? $due[0] : $due[1]);
    }
}
