<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * First and last frame to deliver, counted from 0; both are included.
 */
final readonly class FrameRange
{
    /** @throws InvalidArgumentException when the first is negative or after the last */
    public function __construct(public int $first, public int $last)
    {
        if ($first < 0 || $last < $first) {
            throw new InvalidArgumentException(
                "A range runs from frame 0 or later to a frame not before it, not from {$first} to {$last}.",
            );
        }
    }

    /** @throws InvalidArgumentException when the count is below 1 */
    public static function whole(int $frames): self
    {
        return new self(0, $frames - 1);
    }

    /** @return array{first: int, last: int} */
    public function toArray(): array
    {
        return ['first' => $this->first, 'last' => $this->last];
    }

    /** The part of this range from one frame to another; at least one frame of it. */
    public function clamp(int $first, int $last): self
    {
        $first = max($this->first, min($this->last, $first));

        return new self($first, max($first, min($this->last, $last)));
    }

    public function equals(self $other): bool
    {
        return $this->first === $other->first && $this->last === $other->last;
    }

    public function contains(self $other): bool
    {
        return $this->first <= $other->first && $this->last >= $other->last;
    }

    public function count(): int
    {
        return $this->last - $this->first + 1;
    }
}
