<?php

namespace App\Console;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Library\Presets;
use App\Media\CutReader;
use App\Sampling\Sampler;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Recap;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Subject;

class PlanCommand extends CrateCommand
{
    protected $signature = 'plan
        {file : The media file}
        {--output=* : PRESET or PRESET@HOST, once for each file to make}
        {--measure : Encode pieces where the size depends on the picture}
        {--json : Print resources/schema/plan-list.json}';

    protected $description = 'Decide every setting of the files to make, and say where each came from';

    public function __construct(
        private readonly CutReader $reader,
        private readonly CutDesk $desk,
        private readonly Surroundings $surroundings,
        private readonly Sampler $sampler,
        private readonly Presets $presets,
        private readonly Cells $cells,
    ) {
        parent::__construct();
    }

    protected function perform(): int
    {
        $outputs = OutputOption::all($this->option('output'), $this->presets);
        $reading = $this->reader->read($this->file())['reading'];
        $subject = $this->surroundings->ofFile($reading, $this->file());
        $columns = $this->desk->columnsOfFile($subject, $outputs);
        if ($this->option('measure')) {
            $columns = array_map(fn (Column $column): Column => $this->measured($column, $subject), $columns);
        }
        $described = array_map(fn (Column $column): array => $column->toArray(), $columns);
        if ($this->option('json')) {
            $stopped = array_filter($columns, fn (Column $column): bool => $column->isStopped()) !== [];
            $this->json(['outputs' => $described, 'recap' => Recap::of($columns), 'stopped' => $stopped]);

            return self::SUCCESS;
        }
        foreach ($described as $plan) {
            $this->line("<options=bold>{$plan['presetName']}".($plan['hostName'] === null ? '' : " → {$plan['hostName']}").'</>');
            foreach ($plan['values'] as $cell => $value) {
                $this->line(
                    sprintf('  %-12s %s   (%s)', $this->cells->get($cell)->label(), $value['label'], $plan['origins'][$cell]['text']),
                );
            }
            $this->line("  ≈ {$plan['estimate']['bytesLabel']}, ≈ {$plan['estimate']['secondsLabel']} to make");
            foreach ($plan['findings'] as $finding) {
                $this->line("  {$finding['severity']}: {$finding['text']}");
            }
        }
        $this->line(Recap::of($columns));

        return self::SUCCESS;
    }

    private function measured(Column $column, Subject $subject): Column
    {
        return $column->isStopped() || ! Sampling::isWorthwhile($column->plan)
            ? $column
            : $this->desk->sampled(
                $column,
                $subject,
                $this->sampler->sample($this->file(), $subject->reading, $subject->found, $column->plan),
            );
    }
}
