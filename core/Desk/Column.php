<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** A column of the sheet: one file to make, planned, estimated and checked. */
final readonly class Column
{
    /**
     * @param  array<string, string>  $asks  what the host asks, by cell; a cell of which it says nothing is left out
     * @param  SizeEstimate  $size  taken once, for the checks and for the person
     * @param  float  $making  seconds to make it
     * @param  float  $sending  seconds to send it
     * @param  list<Finding>  $findings  those that stop first
     * @param  Sample|null  $sample  what a few pieces came to with these settings, once they were encoded
     */
    public function __construct(
        public Plan $plan,
        public array $asks,
        public SizeEstimate $size,
        public float $making,
        public float $sending,
        public array $findings,
        public ?Sample $sample = null,
    ) {
    }

    public function isStopped(): bool
    {
        return $this->firstStop() !== null;
    }

    /** The first finding that stops it. */
    public function firstStop(): ?Finding
    {
        foreach ($this->findings as $finding) {
            if ($finding->severity === Severity::Stop) {
                return $finding;
            }
        }

        return null;
    }

    /**
     * @param  bool  $sampling  pieces are being encoded for a better figure
     * @return array<string, mixed> as resources/schema/plan.json has it
     */
    public function toArray(bool $sampling = false): array
    {
        $hasHost = $this->plan->spec->host !== null;

        return $this->plan->toArray() + [
            'asks' => (object) $this->asks,
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->findings),
            'estimate' => [
                'bytes' => $this->size->bytes,
                'bytesLabel' => (string) new ByteCount($this->size->bytes),
                'marginPercent' => $this->size->marginPercent,
                'basis' => $this->size->basis,
                'sampling' => $sampling,
                'seconds' => round($this->making, 1),
                'secondsLabel' => (string) Duration::upTo($this->making),
                'sendSeconds' => $hasHost ? round($this->sending, 1) : null,
                'sendLabel' => $hasHost ? (string) Duration::upTo($this->sending) : null,
            ],
        ];
    }
}
