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

    /** What was right for the first of its kind, times what was foretold of it; null where there was none. */
    public function times(): ?float
    {
        $first = $this->first();

        return $first === null ? null : (float) $first['times'];
    }

    /** Whether that hardly followed what was asked for. */
    public function wasBound(): bool
    {
        return $this->first()['bound'] ?? false;
    }

    /** Of the first alone: who begins by others, too, depends on which of them were done by then. */
    public function add(float $times, bool $isBound): void
    {
        $this->alike === null ?: $this->store->figures($this->alike, fn (): array => ['times' => $times, 'bound' => $isBound]);
    }

    /** @return array<mixed>|null */
    private function first(): ?array
    {
        return $this->alike === null ? null : $this->store->known("{$this->alike}.json");
    }
}
