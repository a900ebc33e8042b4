<?php

namespace App\Packing\Steps;

use App\Engine\Clock;
use App\Engine\EngineFailed;
use App\Media\FileProblem;
use App\Packing\Inspection\Inspector;
use App\Packing\Run\FileInProgress;
use App\Packing\Strategies\SegmentedEncode;
use App\Packing\Strategies\SharedEncode;
use App\Packing\Strategies\Strategy;
use App\Packing\Strategies\WholeEncode;
use OuterCrate\Encoding\Aim;
use OuterCrate\Encoding\Attempt;
use OuterCrate\Planning\Made;
use OuterCrate\Units\Bitrate;

/** Encodes the file and reads it back, again if its average is too far from the plan. */
class Encode implements Step
{
    public function __construct(
        private readonly WholeEncode $whole,
        private readonly SharedEncode $shared,
        private readonly SegmentedEncode $segmented,
        private readonly Inspector $inspector,
    ) {
    }

    public function run(FileInProgress $file): void
    {
        $strategy = $file->isAlone ? $this->segmented : $this->shared;
        $file->made = $this->first($file, $strategy);
        $file->tries = 1;
        if ($file->plan->bitrate->average !== null) {
            $this->aim($file, $strategy);
        }
    }

    /** Falls back to one pass if the encoder refuses the average in two. The slip shows the difference. */
    private function first(FileInProgress $file, Strategy &$strategy): Made
    {
        try {
            return $this->encode($file, $strategy);
        } catch (EngineFailed $e) {
            if ($file->plan->bitrate->passes !== 2 || ! $e->isOfRate()) {
                throw $e;
            }
            $file->journal->result('Its encoder refuses this average in two passes: it is made in one.');
            $file->plan = $file->plan->inOnePass();

            return $this->encode($file, $strategy);
        }
    }

    /** Encodes again while the average is too far from the plan, and keeps the file that is closest. */
    private function aim(FileInProgress $file, Strategy $strategy): void
    {
        $output = $file->output();
        $aim = new Aim($file->plan);
        $attempts = [new Attempt($file->plan->bitrate->average, $file->made)];
        while (($average = $aim->next($attempts)) !== null) {
            $output->setAside();
            try {
                $file->journal->result("Rate control came out at another average than was promised: tried again at {$average}.");
                $made = $this->encode($file, $strategy, $average);
            } catch (EngineFailed|FileProblem) {
                // There is no space for two files, or the encoder refuses the rate. Keep the file from before.
                $output->takeBack();
                break;
            }
            $attempts[] = $last = new Attempt($average, $made);
            $aim->best($attempts) === $last ? $output->forgetOther() : $output->takeBack();
        }
        $file->made = $aim->best($attempts)->made;
        $file->tries = count($attempts);
    }

    /** @param  Strategy  $strategy  becomes WholeEncode if it cannot encode the file */
    private function encode(FileInProgress $file, Strategy &$strategy, ?Bitrate $average = null): Made
    {
        $file->meter->encoding();
        if (! $strategy->encode($file, $file->plan, $average)) {
            $strategy = $this->whole;
            // All passes: no first pass of the whole file exists yet.
            $strategy->encode($file, $average === null ? $file->plan : $file->plan->aimedAt($average));
        }
        $file->meter->checking();
        $from = Clock::seconds();
        $made = $this->inspector->read($file->run, $file->plan, $file->output(), $file->scratch, $file->meter);
        $file->journal->result('Read back and checked against the plan.', Clock::seconds() - $from);

        return $made;
    }
}
