<?php

namespace App\Packing\Inspection;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Scratch;
use App\Media\SoundMeter;
use App\Work\Meter;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;

/** Listens to sound: to what is to be delivered, until its level is right with mix, limiter and codec; and to finished files. */
class SoundLeveller
{
    public function __construct(
        private readonly Runner $runner,
        private readonly PassBuilder $passes,
        private readonly SoundMeter $meter,
    ) {
    }

    /**
     * The plan with the gain that brings its sound to the loudness asked; the same plan where none is asked.
     *
     * @param  string  $source  path of the cut
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function level(Plan $plan, Reading $reading, string $source, Scratch $scratch, Meter $meter): Plan
    {
        $levelling = $plan->audio->levelling;
        if ($levelling === null || $plan->audio->codec === null || $reading->mainAudio() === null) {
            return $plan;
        }
        $plan = $plan->levelled(new Levelling($levelling->target, $levelling->ceiling));
        $plain = $this->meter->of(
            EncodeCommand::of($this->passes->listening($plan, $reading), $source, null),
            $scratch,
            $meter->shouldStop(...),
        );
        $next = $levelling->for($plain?->integrated, $plain?->truePeak);
        for ($tries = 1; $next?->gain !== null; $tries++) {
            $plan = $plan->levelled($next);
            $tried = "{$scratch->path}/sound.nut";
            $alone = EncodeCommand::of($this->passes->soundAlone($plan, $reading), $source, $tried);
            $this->runner->encode($alone, $scratch->path, shouldStop: $meter->shouldStop(...));
            $came = $this->heard($tried, $plan->audio->channels, $scratch, $meter);
            $next = $came === null ? null : $next->after($came, $tries);
        }

        return $plan;
    }

    /**
     * How loud a finished file's first track of sound is; null where the meter tells nothing.
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function heard(string $path, int $channels, Scratch $scratch, Meter $meter): ?SoundLevel
    {
        return $this->meter->ofFile($path, $channels, $scratch, $meter->shouldStop(...));
    }
}
