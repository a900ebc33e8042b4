<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\LineSpeed;

/** What all columns of a sheet come to together. */
final readonly class Totals
{
    /** @param  list<Column>  $columns */
    public function __construct(private array $columns, private LineSpeed $line)
    {
    }

    /** @return array{bytes: int, bytesLabel: string, secondsLabel: string, sendLabel: ?string} */
    public function toArray(): array
    {
        $bytes = array_sum(array_map(static fn (Column $column): int => $column->size->bytes, $this->columns));
        $sent = array_sum(
            array_map(static fn (Column $column): int => $column->plan->spec->host === null ? 0 : $column->size->bytes, $this->columns),
        );
        $making = array_sum(array_map(static fn (Column $column): float => $column->making, $this->columns));

        return [
            'bytes' => $bytes,
            'bytesLabel' => (string) new ByteCount($bytes),
            'secondsLabel' => (string) Duration::upTo((float) $making),
            'sendLabel' => $sent === 0 ? null : (string) Duration::upTo($this->line->toSend($sent)),
        ];
    }
}
