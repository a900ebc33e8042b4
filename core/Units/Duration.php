<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/** Says a length of time as people write it. */
final readonly class Duration
{
    public function __construct(public Fraction $seconds)
    {
    }

    /** @throws InvalidArgumentException when the text is not like `0:42`, `42:10` or `1:05:00` */
    public static function parse(string $text): self
    {
        if (preg_match('~^(?:(\d{1,3}):)?(\d{1,3}):([0-5]\d)$~', trim($text), $m) !== 1 || ($m[1] !== '' && (int) $m[2] > 59)) {
            throw new InvalidArgumentException("“{$text}” is not a length of time. Say minutes and seconds as 42:10, hours as 1:05:00.");
        }

        return new self(new Fraction((int) $m[1] * 3600 + (int) $m[2] * 60 + (int) $m[3]));
    }

    /** To the next whole second. */
    public static function upTo(float $seconds): self
    {
        return new self(new Fraction((int) ceil($seconds)));
    }

    /** 0:12.5, 3:05, 1:02:07: tenths only below a minute. */
    public function __toString(): string
    {
        $tenths = $this->seconds->times(10)->round();
        if ($tenths < 600) {
            return sprintf('0:%02d', intdiv($tenths, 10)).($tenths % 10 === 0 ? '' : '.'.$tenths % 10);
        }
        $whole = $this->seconds->round();

        return $whole < 3600
            ? sprintf('%d:%02d', intdiv($whole, 60), $whole % 60)
            : sprintf('%d:%02d:%02d', intdiv($whole, 3600), intdiv($whole, 60) % 60, $whole % 60);
    }
}
