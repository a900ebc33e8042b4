<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/**
 * Follows whether the picture stands still. Each frame is held against the first of its still, not against the one before, so
 * that a slow drift is not taken for one.
 */
final class StillTracker
{
    /** Grain and coding disturb the mean of a field by less than this; a moving edge by more. */
    private const MEAN = 0.12;

    private const LARGEST = 2;

    public function __construct(private ?Glance $reference = null)
    {
    }

    /** Whether this frame is the same picture as the reference; when not, it is the new reference. */
    public function take(Glance $glance): bool
    {
        if ($this->reference !== null) {
            $difference = $glance->difference($this->reference);
            if ($difference['mean'] <= self::MEAN && $difference['largest'] <= self::LARGEST) {
                return true;
            }
        }
        $this->reference = $glance;

        return false;
    }

    public function reference(): ?Glance
    {
        return $this->reference;
    }
}
