<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/** A number of bytes, 0 or more, shown in decimal units. */
final readonly class ByteCount
{
    private const UNITS = ['B', 'kB', 'MB', 'GB', 'TB', 'PB'];

    /** @throws InvalidArgumentException when negative */
    public function __construct(public int $bytes)
    {
        if ($bytes < 0) {
            throw new InvalidArgumentException('A file cannot hold fewer than 0 bytes.');
        }
    }

    /** Three figures and the unit: 148 MB, 12.8 MB, 237 B. */
    public function __toString(): string
    {
        $value = (float) $this->bytes;
        $unit = 0;
        while ($value >= 999.5 && $unit < count(self::UNITS) - 1) {
            $value /= 1000;
            $unit++;
        }
        $decimals = $unit === 0 || $value >= 99.95 ? 0 : ($value >= 9.995 ? 1 : 2);

        return number_format($value, $decimals, '.', '')."\u{2009}".self::UNITS[$unit];
    }
}
