<?php

namespace App\Console;

use App\Library\Presets;
use App\Media\CutReader;
use App\Planning\Planning;
use OuterCrate\Planning\Plan;

class PlanCommand extends CrateCommand
{
    protected $signature = 'plan {file : The media file} {--output=* : PRESET or PRESET@HOST, once for each file to make} {--json : Print resources/schema/plan-list.json}';

    protected $description = 'Decide every setting of the files to make, and say where each came from';

    public function __construct(private readonly CutReader $reader, private readonly Planning $planning, private readonly Presets $presets)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $outputs = OutputOption::all($this->option('output'), $this->presets);
        $reading = $this->reader->read($this->file())['reading'];
        $plans = $this->planning->plans($reading, $outputs);
        $described = array_map(fn (Plan $plan): array => $this->planning->describe($plan, $reading), $plans);
        if ($this->option('json')) {
            $this->json(['outputs' => $described]);

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
