<?php

namespace App\Transit;

use App\Media\StepStore;
use OuterCrate\Transit\HoldRate;

/** What was right for files that are alike, times the average that the first pass foretold of each: where the next one begins. */
final readonly class RightBefore
{
    /** @param  string|null  $alike  key of their kind; null for a file like no other */
    public function __construct(private StepStore $store, private ?string $alike)
    {
    }

    /** null where nothing of its kind was made before. */
    public function times(): ?float
    {
        return HoldRate::usual(array_map(fn (array $one): float => (float) $one['times'], $this->all()));
    }

    /** Whether one of them hardly followed what was asked for. */
    public function wasBound(): bool
    {
        return in_array(true, array_column($this->all(), 'bound'), true);
    }

    /** Of two that end in the same moment one may be told alone: it is a beginning for others, no more. */
    public function add(float $times, bool $isBound): void
    {
        $this->alike === null ?: $this->store->figures(
            $this->alike.'-'.count($this->all()),
            fn (): array => ['times' => $times, 'bound' => $isBound],
        );
    }

    /** @return list<array<mixed>> */
    private function all(): array
    {
        $all = [];
        while ($this->alike !== null && ($one = $this->store->known("{$this->alike}-".count($all).'.json')) !== null) {
            $all[] = $one;
        }

        return $all;
    }
}
