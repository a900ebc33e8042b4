<?php

declare(strict_types=1);

namespace OuterCrate\Store;

/** Age and size limits for one kind of item. */
final readonly class RetentionLimit
{
    private const SECONDS_A_DAY = 86_400;

    private const BYTES_A_GIGABYTE = 1_000_000_000;

    /**
     * @param  int|null  $days  1 or more; null for no limit
     * @param  float|null  $gigabytes  more than 0; null for no limit
     */
    public function __construct(public ?int $days, public ?float $gigabytes)
    {
    }

    /**
     * Items to delete: all that are older than the days, then the oldest until the rest fits into the gigabytes.
     *
     * @param  list<Aged>  $kept
     * @return list<Aged> the oldest last
     */
    public function exceeding(array $kept): array
    {
        usort($kept, static fn (Aged $a, Aged $b): int => $a->seconds <=> $b->seconds ?: strnatcmp($b->id, $a->id));
        $sum = 0;

        return array_values(array_filter($kept, function (Aged $one) use (&$sum): bool {
            $sum += $one->bytes;

            return ($this->days !== null && $one->seconds > $this->days * self::SECONDS_A_DAY)
                || ($this->gigabytes !== null && $sum > $this->gigabytes * self::BYTES_A_GIGABYTE);
        }));
    }
}
