<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** Tells whether two files show the same picture, by little grey pictures of their frames. */
final class SamePicture
{
    /**
     * Correlation from which on they do. What a host leaves of 32 × 18 means over areas is nearly all of it, at any rate and through
     * a tone map (0.98 and more of a rendition of 100 kb/s); two shots of one film come to 0.2 to 0.6.
     */
    public const SAME = 0.9;

    /** Variance in grey levels under which a picture is an even grey, that looks like any other. */
    private const FLAT = 0.5;

    /**
     * Pearson's correlation of all samples of the frames that both have: brighter, darker or flatter changes nothing.
     *
     * @param  list<string>  $reference  a byte for each sample
     * @param  list<string>  $test
     * @param  int  $shift  frames by which the test is late
     */
    public static function of(array $reference, array $test, int $shift = 0): float
    {
        $together = new Together;
        foreach ($test as $at => $picture) {
            $together->add($reference[$at - $shift] ?? '', $picture);
        }
        if ($together->isEmpty()) {
            return 0.0;
        }
        [$ofX, $ofY] = [$together->ofOne(), $together->ofOther()];
        if ($ofX < self::FLAT || $ofY < self::FLAT) {
            return $ofX < self::FLAT && $ofY < self::FLAT ? 1.0 : 0.0;
        }

        return $together->shared() / sqrt($ofX * $ofY);
    }
}
