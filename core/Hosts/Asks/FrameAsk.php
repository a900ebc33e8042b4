<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** The shape and size of frame that a host takes. */
final readonly class FrameAsk
{
    /**
     * @param  Fraction|null  $shape  width over height
     * @param  string|null  $projection  of 360 pieces, which the file must state
     * @param  FrameSize|null  $most  the largest frame
     */
    public function __construct(public ?Fraction $shape = null, public ?string $projection = null, public ?FrameSize $most = null)
    {
    }

    /** Wider or taller than it takes; a frame lies as well as it stands. */
    public function refuses(FrameSize $frame): bool
    {
        return $this->most !== null && ($frame->width > $this->most->width || $frame->height > $this->most->height);
    }

    /** 9:16; empty where it does not say. */
    public function shapeLabel(): string
    {
        return $this->shape === null ? '' : "{$this->shape->numerator}:{$this->shape->denominator}";
    }

    public function words(): string
    {
        return implode(
            ', ',
            array_filter([$this->shapeLabel(), $this->most === null ? '' : "at most {$this->most}", $this->projection ?? '']),
        );
    }
}
