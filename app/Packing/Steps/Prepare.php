<?php

namespace App\Packing\Steps;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Media\CutFile;
use App\Media\FileProblem;
use App\Models\Run;
use App\Packing\Inspection\LightMeasurer;
use App\Packing\Inspection\SoundLeveller;
use App\Packing\Run\FileInProgress;
use App\Packing\Run\RunFolder;
use App\Packing\Run\SourceWatch;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Documents\StoredPlan;
use OuterCrate\Documents\UnreadableDocument;

/** Reads the stored plan and measures what it still lacks: the light levels of an HDR picture, the gain of the audio. */
class Prepare implements Step
{
    public function __construct(
        private readonly PlanDocument $documents,
        private readonly Capabilities $capabilities,
        private readonly LightMeasurer $light,
        private readonly SoundLeveller $leveller,
    ) {
    }

    public function run(FileInProgress $file): void
    {
        $run = $file->run;
        CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
        $file->watch = SourceWatch::begin($run, $file->scratch);
        $file->stored = $this->stored($run);
        $reading = $run->cut->reading();
        $plan = $file->stored->plan->onMachine($this->capabilities->hardware());
        $plan = $this->light->measure($plan, $reading, $run->source, $file->scratch, $file->meter);
        $file->plan = $this->leveller->level($plan, $reading, $run->source, $file->scratch, $file->meter);
        $file->output = RunFolder::partial($run, $file->work->attempts, $file->plan->isOfImages());
    }

    /** Values missing from the stored plan are added to the run's plan. */
    private function stored(Run $run): StoredPlan
    {
        $cut = $run->cut;
        if ($cut === null || CutFile::hasChanged($cut)) {
            throw new FileProblem(
                "The file of {$run->cut_name} has changed or gone since this was packed.",
                $run->source,
                'Read it again on its sheet, then pack again.',
            );
        }
        $todo = 'Pack it again from its sheet. What was planned stays on its slip.';
        if ($run->document === null) {
            throw new EngineFailed('This was packed by a version before 1.0, whose plans are not read any more.', $todo);
        }
        try {
            $stored = $this->documents->read($run->document, $cut->reading());
        } catch (UnreadableDocument $e) {
            throw new EngineFailed($e->getMessage(), $todo);
        }
        if ($stored->decidedNow !== []) {
            $now = array_intersect_key($stored->plan->toArray()['values'], array_flip($stored->decidedNow));
            $run->update(['plan' => array_replace_recursive($run->plan, ['values' => $now])]);
        }

        return $stored;
    }
}
