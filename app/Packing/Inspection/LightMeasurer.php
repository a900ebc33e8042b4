<?php

namespace App\Packing\Inspection;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Scratch;
use App\Work\Meter;
use OuterCrate\Analysis\LightMeter;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** Measures how bright an HDR picture gets where a plan is to tell it and no analysis has. */
class LightMeasurer
{
    private const FILE = 'light';

    public function __construct(private readonly Runner $runner, private readonly PassBuilder $passes)
    {
    }

    /**
     * @param  string  $source  path of the cut
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function measure(Plan $plan, Reading $reading, string $source, Scratch $scratch, Meter $meter): Plan
    {
        if (! $plan->hasVideo() || ! $plan->colour->awaitsLight) {
            return $plan;
        }
        $command = EncodeCommand::of($this->passes->lighting($plan, $reading, self::FILE), $source, null);
        $this->runner->encode($command, $scratch->path, shouldStop: $meter->shouldStop(...));

        return $plan->lit(LightMeter::told($scratch->lines(self::FILE)));
    }
}
