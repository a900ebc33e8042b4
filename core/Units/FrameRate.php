<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * Frames per second as an exact fraction, above 0 and at most 1000.
 */
final readonly class FrameRate
{
    /** The rates that film, television and the web use (SMPTE ST 2036-1 table 1 and its halves and quarters). */
    private const STANDARD = [
        '15', '24000/1001', '24', '25', '30000/1001', '30', '48', '50', '60000/1001', '60', '100', '120000/1001', '120',
    ];

    /** @throws InvalidArgumentException when the rate is not above 0 or is over 1000 */
    public function __construct(public Fraction $perSecond)
    {
        if ($perSecond->compare(0) <= 0 || $perSecond->compare(1000) > 0) {
            throw new InvalidArgumentException("A frame rate lies above 0 and at most at 1000 fps, not at {$perSecond}.");
        }
    }

    public static function of(int $numerator, int $denominator = 1): self
    {
        return new self(new Fraction($numerator, $denominator));
    }

    /**
     * Reads `25`, `30000/1001`, or the spoken form `29.97`, which is taken as the exact broadcast rate it stands for.
     *
     * @throws InvalidArgumentException when it is no rate
     */
    public static function parse(string $text): self
    {
        foreach (self::STANDARD as $standard) {
            $rate = new self(Fraction::parse($standard));
            if ($rate->label() === $text) {
                return $rate;
            }
        }

        return new self(Fraction::parse($text));
    }

    /** The standard rate that lies nearest, by ratio. */
    public function nearestStandard(): self
    {
        $best = null;
        $bestDistance = INF;
        foreach (self::STANDARD as $standard) {
            $candidate = new self(Fraction::parse($standard));
            $distance = abs(log($candidate->perSecond->toFloat() / $this->perSecond->toFloat()));
            if ($distance < $bestDistance) {
                [$best, $bestDistance] = [$candidate, $distance];
            }
        }

        return $best ?? $this;
    }

    /** How many frames last the given seconds, to the nearest whole frame. */
    public function framesIn(Fraction $seconds): int
    {
        return $seconds->times($this->perSecond)->round();
    }

    /** How long the given number of frames lasts, in seconds. */
    public function secondsOf(int $frames): Fraction
    {
        return (new Fraction($frames))->over($this->perSecond);
    }

    public function equals(self $other): bool
    {
        return $this->perSecond->equals($other->perSecond);
    }

    public function isAbove(self $other): bool
    {
        return $this->perSecond->compare($other->perSecond) > 0;
    }

    /** At least that many; NTSC rates lie 0.1 % under the whole number and pass for it: 23.976 where 24 is asked, 29.97 where 30 is. */
    public function serves(self $floor): bool
    {
        return $this->perSecond->times(1001)->over(1000)->compare($floor->perSecond) >= 0;
    }

    /** As people say it: 25, 29.97, 23.976. */
    public function label(): string
    {
        $decimals = $this->perSecond->toFloat() < 24 ? 3 : 2;

        return rtrim(rtrim(number_format($this->perSecond->toFloat(), $decimals, '.', ''), '0'), '.');
    }

    /** The exact fraction: 25, 30000/1001. */
    public function __toString(): string
    {
        return (string) $this->perSecond;
    }

    /**
     * The one of them to deliver at: a whole multiple, at which every frame is seen equally long; else the nearest above; else the
     * highest.
     *
     * @param  non-empty-list<self>  $carried  rising
     */
    public function suiting(array $carried): self
    {
        $even = array_filter($carried, fn (self $known): bool => $known->perSecond->over($this->perSecond)->denominator === 1);
        $above = array_filter($carried, fn (self $known): bool => $known->isAbove($this));

        return array_values($even)[0] ?? array_values($above)[0] ?? $carried[count($carried) - 1];
    }
}
