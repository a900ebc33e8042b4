<?php

namespace App\Console;

use App\Library\Presets;
use App\Media\CutReader;
use App\Planning\Planning;
use App\Planning\Samples;
use App\Planning\Surroundings;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Planning\Plan;

class PlanCommand extends CrateCommand
{
    protected $signature = 'plan {file : The media file} {--output=* : PRESET or PRESET@HOST, once for each file to make} {--measure : Encode pieces where the size depends on the picture} {--json : Print resources/schema/plan-list.json}';

    protected $description = 'Decide every setting of the files to make, and say where each came from';

    public function __construct(private readonly CutReader $reader, private readonly Planning $planning, private readonly Surroundings $surroundings, private readonly Samples $samples, private readonly Presets $presets)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $outputs = OutputOption::all($this->option('output'), $this->presets);
        $reading = $this->reader->read($this->file())['reading'];
        $subject = $this->surroundings->ofFile($reading, $this->file());
        $plans = $this->planning->plans($subject, $outputs);
        if ($this->option('measure')) {
            $plans = array_map(fn (Plan $plan): Plan => $plan->isStopped() || ! Sampling::isWorthwhile($plan) ? $plan : $plan->withSample($this->samples->sample($this->file(), $reading, $subject->found, $plan)), $plans);
        }
        $described = array_map(fn (Plan $plan): array => $this->planning->describe($plan, $reading), $plans);
        if ($this->option('json')) {
            $this->json(['outputs' => $described, 'recap' => $this->planning->recap($plans, $reading), 'stopped' => array_reduce($plans, fn (bool $stopped, Plan $plan): bool => $stopped || $plan->isStopped(), false)]);

            return self::SUCCESS;
        }
        foreach ($described as $plan) {
            $this->line("<options=bold>{$plan['presetName']}".($plan['hostName'] === null ? '' : " → {$plan['hostName']}").'</>');
            foreach ($plan['values'] as $cell => $value) {
                $this->line(sprintf('  %-10s %s   (%s)', $cell, $value['label'], $plan['origins'][$cell]['text']));
            }
            $this->line("  ≈ {$plan['estimate']['bytesLabel']}, ≈ {$plan['estimate']['secondsLabel']} to make");
            foreach ($plan['findings'] as $finding) {
                $this->line("  {$finding['severity']}: {$finding['text']}");
            }
        }
        $this->line($this->planning->recap($plans, $reading));

        return self::SUCCESS;
    }
}
