<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\FrameRate;

/** The frame rates that a host takes: some, or all from one on. */
final readonly class FrameRateAsk
{
    /** Lines from which on hosts speak of HD. */
    public const HD = 720;

    /**
     * @param  FrameRate|null  $minimum  for frames of HD lines or more
     * @param  list<FrameRate>  $allowed  empty where any will do
     */
    public function __construct(public ?FrameRate $minimum = null, public array $allowed = [])
    {
    }

    /** The lowest that it takes for such a frame; null where any will do. */
    public function floor(int $shorterSide): ?FrameRate
    {
        $floor = $shorterSide >= self::HD ? $this->minimum : null;
        foreach ($this->allowed as $allowed) {
            $floor = $floor === null || $floor->isAbove($allowed) ? $allowed : $floor;
        }

        return $floor;
    }

    public function isUnderMinimum(FrameRate $rate, int $shorterSide): bool
    {
        return $this->minimum !== null && $shorterSide >= self::HD && ! $rate->serves($this->minimum);
    }

    /** 29.97 is taken where 30 is: the host's own frames fall where they would. */
    public function allows(FrameRate $rate): bool
    {
        foreach ($this->allowed as $allowed) {
            if ($rate->serves($allowed) && $allowed->serves($rate)) {
                return true;
            }
        }

        return $this->allowed === [];
    }

    /** 30 or 60. */
    public function allowedLabel(): string
    {
        return implode(' or ', array_map(static fn (FrameRate $rate): string => $rate->label(), $this->allowed));
    }

    /** What it asks of such a frame; empty where it asks nothing of it. */
    public function wordsFor(int $shorterSide): string
    {
        return match (true) {
            $this->allowed !== [] => $this->allowedLabel(),
            $this->minimum !== null && $shorterSide >= self::HD => "≥ {$this->minimum->label()}",
            default => '',
        };
    }

    public function words(): string
    {
        return match (true) {
            $this->allowed !== [] => "{$this->allowedLabel()} fps",
            $this->minimum !== null => "at least {$this->minimum->label()} fps for HD",
            default => '',
        };
    }
}
