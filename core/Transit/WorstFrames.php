<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/** The frames that keep least, the worst first, none of them beside another. */
final class WorstFrames
{
    /** Frames apart at which two bad ones are told as two. */
    private const APART = 12;

    /**
     * @param  list<float>  $curve  likeness of each frame in dB
     * @return list<int> of these at most so many
     */
    public static function of(array $curve, int $most): array
    {
        asort($curve);
        $worst = [];
        foreach (array_keys($curve) as $frame) {
            $isApart = array_filter($worst, static fn (int $other): bool => abs($other - $frame) < self::APART) === [];
            if ($isApart && count($worst) < $most) {
                $worst[] = $frame;
            }
        }

        return $worst;
    }
}
