<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\Fraction;

/** The structure of the stream that a host asks for. */
final readonly class KeyframesAsk
{
    /**
     * @param  Fraction|null  $seconds  from one keyframe to the next, at most; null where it does not say
     * @param  int|null  $mostBFrames  in a row; null where it does not say
     * @param  bool  $pyramid  B-frames may refer to B-frames
     */
    public function __construct(
        public ?Fraction $seconds = null,
        public bool $closed = false,
        public ?int $mostBFrames = null,
        public bool $pyramid = true,
    ) {
    }

    /** Whether it asks anything of where keyframes stand. */
    public function saysWhere(): bool
    {
        return $this->closed || $this->seconds !== null;
    }

    public function words(): string
    {
        return implode(', ', array_filter([
            $this->seconds === null ? null : "every {$this->seconds->toFloat()} s",
            $this->closed ? 'closed GOP' : null,
            $this->mostBFrames === null ? null : "at most {$this->mostBFrames} B-frames in a row",
            $this->pyramid ? null : 'no pyramid',
        ]));
    }
}
