<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Recompression;

use OuterCrate\Units\FrameSize;

/** The renditions that some uploads get. */
final readonly class Tier
{
    /**
     * @param  list<Condition>  $when  any of them lets an upload in; empty for every upload
     * @param  non-empty-list<Rung>  $ladder  the largest first
     */
    public function __construct(public string $name, public array $when, public array $ladder)
    {
    }

    public function takes(Upload $upload): bool
    {
        foreach ($this->when as $condition) {
            if ($condition->holds($upload)) {
                return true;
            }
        }

        return $this->when === [];
    }

    /**
     * The renditions that are made of a frame: none is larger than it, and the smallest is always made.
     *
     * @return non-empty-list<Rung>
     */
    public function renditionsOf(FrameSize $frame): array
    {
        $made = array_values(array_filter($this->ladder, static fn (Rung $rung): bool => $rung->shorterSide <= $frame->shorterSide()));

        return $made === [] ? [$this->ladder[count($this->ladder) - 1]] : $made;
    }

    /** The codecs of its ladder, in words. */
    public function codecs(): string
    {
        return implode(' and ', array_unique(array_map(
            static fn (Rung $rung): string => $rung->codecName(),
            $this->ladder,
        )));
    }

    /** @return array<string, mixed> as in a host file */
    public function toFile(): array
    {
        $when = array_map(static fn (Condition $condition): array => $condition->toFile(), $this->when);

        return ['name' => $this->name]
            + ($when === [] ? [] : ['when' => $when])
            + ['ladder' => array_map(static fn (Rung $rung): array => $rung->toFile(), $this->ladder)];
    }
}
