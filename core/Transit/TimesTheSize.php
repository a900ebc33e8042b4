<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/** How large one file is beside another, in words: for 2.1 × the size. */
final class TimesTheSize
{
    /** Share by which two files differ that nobody would call different: container and rounding. */
    private const SAME = 0.02;

    public static function of(int $bytes, int $other): string
    {
        $times = $bytes / max(1, $other);

        return match (true) {
            $times > 1 + self::SAME => sprintf('for %.1f × the size', $times),
            $times < 1 - self::SAME => sprintf('for %.2f × the size', $times),
            default => 'for the same size',
        };
    }
}
