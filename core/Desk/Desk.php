<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use Closure;
use InvalidArgumentException;
use OuterCrate\Checks\CheckList;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Subject;

/** Cut + column → decide → estimate → check. The only place that knows all of it. */
final readonly class Desk
{
    public function __construct(private Cells $cells, private Planner $planner, private CheckList $checks)
    {
    }

    /**
     * @param  Closure(Plan): ?Sample|null  $samples  what is known of a plan from encoding pieces of it
     *
     * @throws InvalidArgumentException when the cut has no picture
     */
    public function column(Subject $subject, OutputSpec $spec, Pace $pace, ?Closure $samples = null): Column
    {
        $plan = $this->planner->plan($subject, $spec);

        return $this->of($plan, $subject, $pace, $samples === null ? null : $samples($plan));
    }

    /**
     * The columns of a sheet: each minds the names and the room that those before it take.
     *
     * @param  list<OutputSpec>  $specs
     * @param  Closure(Plan): ?Sample|null  $samples
     * @return list<Column>
     *
     * @throws InvalidArgumentException when the cut has no picture
     */
    public function columns(Subject $subject, array $specs, Pace $pace, ?Closure $samples = null): array
    {
        $columns = [];
        foreach ($specs as $spec) {
            $columns[] = $column = $this->column($subject, $spec, $pace, $samples);
            $file = $column->plan->file;
            $subject = $subject->withPlanned($file->path(), $file->firstPath(), $column->isStopped() ? 0 : $column->size->bytes);
        }

        return $columns;
    }

    /** A plan with what pieces of it came to. */
    public function of(Plan $plan, Subject $subject, Pace $pace, ?Sample $sample): Column
    {
        $size = SizeEstimate::of($plan, $subject->reading, $sample);

        return new Column(
            plan: $plan,
            asks: $this->asks($plan),
            size: $size,
            making: $pace->times->making($plan, $sample),
            sending: $pace->line->toSend($size->bytes),
            findings: $this->checks->look($plan, $subject, $size),
            sample: $sample,
        );
    }

    /** @return array<string, string> by cell */
    private function asks(Plan $plan): array
    {
        $asks = $plan->spec->host?->asks;
        if ($asks === null) {
            return [];
        }
        $words = array_map(static fn (Cell $cell): string => $cell->asked($asks, $plan), $this->cells->all());

        return array_filter($words, static fn (string $text): bool => $text !== '');
    }
}
