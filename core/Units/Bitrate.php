<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * Bits per second, 1 to 10^13.
 */
final readonly class Bitrate
{
    /** @throws InvalidArgumentException when out of range */
    public function __construct(public int $bitsPerSecond)
    {
        if ($bitsPerSecond < 1 || $bitsPerSecond > 10 ** 13) {
            throw new InvalidArgumentException("A rate lies between 1 b/s and 10 Tb/s, not at {$bitsPerSecond} b/s.");
        }
    }

    public static function kilobits(int|float $kilobits): self
    {
        return new self((int) round($kilobits * 1000));
    }

    public static function megabits(int|float $megabits): self
    {
        return new self((int) round($megabits * 1_000_000));
    }

    /** The rate at which the bytes pass in the given seconds. */
    public static function ofBytes(int $bytes, Fraction $seconds): self
    {
        return new self(max(1, (int) round($bytes * 8 / $seconds->toFloat())));
    }

    /** Multiplied by a fraction and rounded to the nearest kb/s, the finest step a rate control can be asked for. */
    public function times(Fraction $factor): self
    {
        return new self(max(1000, (new Fraction($this->bitsPerSecond))->times($factor)->over(1000)->round() * 1000));
    }

    public function inKilobits(): int
    {
        return intdiv($this->bitsPerSecond + 500, 1000);
    }

    public function isAbove(self $other): bool
    {
        return $this->bitsPerSecond > $other->bitsPerSecond;
    }

    /** With its unit and three figures: 9.9 Mb/s, 118 Mb/s, 320 kb/s. */
    public function __toString(): string
    {
        return $this->bitsPerSecond >= 1_000_000
            ? self::figures($this->bitsPerSecond / 1_000_000)."\u{2009}Mb/s"
            : self::figures($this->bitsPerSecond / 1000)."\u{2009}kb/s";
    }

    private static function figures(float $value): string
    {
        $decimals = match (true) {
            $value >= 99.95 => 0,
            $value >= 9.995 => 1,
            default => 2,
        };
        $text = number_format($value, $decimals, '.', '');

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }
}
