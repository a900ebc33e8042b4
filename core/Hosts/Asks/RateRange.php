<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use InvalidArgumentException;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/** What is asked for in a cell of a table of rates: one figure, or a floor and a ceiling. */
final readonly class RateRange
{
    public Bitrate $ceiling;

    /**
     * @param  Bitrate|null  $ceiling  the floor's own where one figure is said
     *
     * @throws InvalidArgumentException when the ceiling lies under the floor
     */
    public function __construct(public Bitrate $floor, ?Bitrate $ceiling = null)
    {
        $this->ceiling = $ceiling ?? $floor;
        if ($floor->isAbove($this->ceiling)) {
            throw new InvalidArgumentException("A range runs upwards, not from {$floor} to {$this->ceiling}.");
        }
    }

    public function isOpen(): bool
    {
        return $this->ceiling->isAbove($this->floor);
    }

    public function times(Fraction $factor): self
    {
        return new self($this->floor->times($factor), $this->ceiling->times($factor));
    }

    /** Where in it a rate lies: `at its floor`, `40 % up`; empty for one figure, which a factor tells of. */
    public function where(Bitrate $rate): string
    {
        if (! $this->isOpen()) {
            return '';
        }
        [$low, $high, $at] = [$this->floor->bitsPerSecond, $this->ceiling->bitsPerSecond, $rate->bitsPerSecond];

        return match (true) {
            $at < $low => 'under it',
            $at === $low => 'at its floor',
            $at > $high => 'above it',
            $at === $high => 'at its ceiling',
            default => (int) round(100 * ($at - $low) / ($high - $low)).' % up',
        };
    }

    /** 9 Mb/s; 35 to 45 Mb/s. */
    public function __toString(): string
    {
        [$floor, $ceiling] = [(string) $this->floor, (string) $this->ceiling];
        if ($floor === $ceiling) {
            return $floor;
        }
        $unit = mb_strstr($ceiling, "\u{2009}") ?: '';

        return (str_ends_with($floor, $unit) ? mb_substr($floor, 0, -mb_strlen($unit)) : $floor)." to {$ceiling}";
    }
}
