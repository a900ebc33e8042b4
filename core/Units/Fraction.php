<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * An exact rational number in lowest terms with a positive denominator. Immutable.
 */
final readonly class Fraction
{
    public int $numerator;

    public int $denominator;

    /** @throws InvalidArgumentException when the denominator is 0 */
    public function __construct(int $numerator, int $denominator = 1)
    {
        if ($denominator === 0) {
            throw new InvalidArgumentException('A fraction cannot have 0 below the line.');
        }
        $divisor = self::greatestCommonDivisor(abs($numerator), abs($denominator)) * ($denominator < 0 ? -1 : 1);
        $this->numerator = intdiv($numerator, $divisor);
        $this->denominator = intdiv($denominator, $divisor);
    }

    /**
     * Reads `30000/1001`, `8:9`, `25` or a decimal such as `12.512000`.
     *
     * @throws InvalidArgumentException when the text is none of these
     */
    public static function parse(string $text): self
    {
        if (preg_match('~^(-?\d{1,15})(?:[/:](\d{1,15}))?$~', $text, $m) === 1) {
            return new self((int) $m[1], isset($m[2]) ? (int) $m[2] : 1);
        }
        if (preg_match('~^(-?)(\d{1,9})\.(\d{1,9})\d*$~', $text, $m) === 1) {
            $scale = 10 ** strlen($m[3]);
            $value = (int) $m[2] * $scale + (int) $m[3];

            return new self($m[1] === '-' ? -$value : $value, $scale);
        }
        throw new InvalidArgumentException("“{$text}” is not a fraction or a decimal number.");
    }

    /** Null when the text is no fraction, or is 0/0 or 0: what a prober writes for "unknown". */
    public static function tryParse(?string $text): ?self
    {
        if ($text === null || preg_match('~[/:]0+$~', $text) === 1) {
            return null;
        }
        try {
            $fraction = self::parse($text);
        } catch (InvalidArgumentException) {
            return null;
        }

        return $fraction->numerator === 0 ? null : $fraction;
    }

    public function times(self|int $other): self
    {
        $other = is_int($other) ? new self($other) : $other;
        // Crossing out first keeps the products of long-running clips inside 64 bits.
        $left = new self($this->numerator, $other->denominator);
        $right = new self($other->numerator, $this->denominator);

        return new self(
            self::whole($left->numerator * $right->numerator),
            self::whole($left->denominator * $right->denominator),
        );
    }

    public function over(self|int $other): self
    {
        $other = is_int($other) ? new self($other) : $other;

        return $this->times(new self($other->denominator, $other->numerator));
    }

    public function plus(self|int $other): self
    {
        $other = is_int($other) ? new self($other) : $other;
        $shared = self::greatestCommonDivisor($this->denominator, $other->denominator);
        $left = intdiv($other->denominator, $shared);

        return new self(
            self::whole($this->numerator * $left + $other->numerator * intdiv($this->denominator, $shared)),
            self::whole($this->denominator * $left),
        );
    }

    public function minus(self|int $other): self
    {
        $other = is_int($other) ? new self($other) : $other;

        return $this->plus(new self(-$other->numerator, $other->denominator));
    }

    public function compare(self|int $other): int
    {
        $other = is_int($other) ? new self($other) : $other;
        $quotient = $this->over($other->numerator === 0 ? new self(1) : $other);

        return $other->numerator === 0
            ? $this->numerator <=> 0
            : ($quotient->numerator <=> $quotient->denominator) * ($other->numerator < 0 ? -1 : 1);
    }

    public function equals(self $other): bool
    {
        return $this->numerator === $other->numerator && $this->denominator === $other->denominator;
    }

    public function floor(): int
    {
        return intdiv($this->numerator, $this->denominator) - ($this->numerator < 0 && $this->numerator % $this->denominator !== 0 ? 1 : 0);
    }

    /** Nearest whole number; halves go up. */
    public function round(): int
    {
        return $this->times(2)->plusWhole(1)->over(2)->floor();
    }

    private function plusWhole(int $whole): self
    {
        return new self($this->numerator + $whole * $this->denominator, $this->denominator);
    }

    public function toFloat(): float
    {
        return $this->numerator / $this->denominator;
    }

    public function __toString(): string
    {
        return $this->denominator === 1 ? (string) $this->numerator : "{$this->numerator}/{$this->denominator}";
    }

    private static function greatestCommonDivisor(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a === 0 ? 1 : $a;
    }

    /** @throws NumberTooLarge where a product or a sum left the whole numbers of 64 bits */
    private static function whole(int|float $number): int
    {
        return is_int($number) ? $number : throw new NumberTooLarge;
    }
}
