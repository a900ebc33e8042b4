<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Units\Fraction;

/** How loud an upload was, and what came back of it. */
final readonly class HeardSound
{
    /** LU within which two files are as loud: half of what EBU R 128 allows. */
    private const SAME = 0.5;

    /**
     * @param  float|null  $before  in LUFS; null where it is silent or was not told
     */
    public function __construct(public ?float $before, public ?float $after)
    {
    }

    /**
     * The loudness that a host brings everything to, in LUFS; null where it leaves sound alone, or what came back is not as loud each
     * time.
     *
     * @param  list<self>  $heard
     * @param  Fraction|null  $known  what was known before: kept where what came back is as loud
     */
    public static function target(array $heard, ?Fraction $known): ?Fraction
    {
        $after = [];
        $moved = false;
        foreach ($heard as $one) {
            if ($one->before !== null && $one->after !== null) {
                $after[] = $one->after;
                $moved = $moved || abs($one->after - $one->before) > self::SAME;
            }
        }
        if ($after === []) {
            return $known;
        }
        $mean = array_sum($after) / count($after);
        if (max($after) - min($after) > 2 * self::SAME) {
            return null;
        }
        if ($known !== null && abs($known->toFloat() - $mean) <= self::SAME) {
            return $known;
        }

        return $moved ? new Fraction((int) round(2 * $mean), 2) : null;
    }
}
