<?php

declare(strict_types=1);

namespace OuterCrate\Devices;

use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** A frame size that a device plays, and the rates it plays it at. */
final readonly class PictureAsk
{
    /**
     * @param  non-empty-list<FrameRate>  $rates
     * @param  bool|null  $fields  true where the stream has to be coded as one of fields, false where of frames; null for either
     */
    public function __construct(public FrameSize $size, public array $rates, public ?bool $fields)
    {
    }

    public function has(FrameRate $rate): bool
    {
        foreach ($this->rates as $known) {
            if ($known->equals($rate)) {
                return true;
            }
        }

        return false;
    }

    /** 1920×1080 at 25 or 29.97 as fields. */
    public function words(): string
    {
        $rates = array_map(static fn (FrameRate $rate): string => $rate->label(), $this->rates);
        $last = array_pop($rates);

        return "{$this->size} at ".($rates === [] ? '' : implode(', ', $rates).' or ').$last.($this->fields === true ? ' as fields' : '');
    }
}
