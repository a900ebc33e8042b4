<?php

namespace App\Sampling;

use App\Engine\EngineFailed;
use App\Media\CutFile;
use App\Models\Cut;
use App\Models\Run;
use App\Models\Sample;
use App\Models\Work;
use App\Work\CutAtHand;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use App\Work\WorkQueue;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Planning\Plan;

/** Encodes pieces of a cut for the estimate that was asked for last. A run can take hours, and the sheet does not wait for it. */
class SamplePieces implements Kind
{
    /** Seconds after which nobody waits for a sample any more: a sheet that is open asks again every second. */
    private const STALE = 5;

    public function __construct(
        private readonly Sampler $sampler,
        private readonly WorkQueue $queue,
        private readonly CutAtHand $atHand,
        private readonly PlanDocument $documents,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Sample::WORK,
            does: 'encodes pieces for estimates',
            failure: 'An unexpected error stopped a sample for an estimate. See storage/logs for details.',
            group: WorkerGroup::Samples,
            priority: Priority::Sample,
            staleAfter: self::STALE,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $sample = Sample::query()->find($work->subject);
        $cut = $sample?->cut;
        if ($sample === null || $cut === null || ! CutFile::isHere($cut)) {
            $sample?->delete();

            return;
        }
        try {
            $plan = $this->documents->read($sample->plan, $cut->reading())->plan;
        } catch (UnreadableDocument) {
            // It is asked for again as soon as its sheet is opened.
            $sample->delete();

            return;
        }
        try {
            $this->atHand->during($cut, fn () => $this->sample($sample, $cut, $plan, $meter));
        } catch (EngineFailed) {
            // The estimate stays the rough one; a run will say what the engine does not like.
            $sample->update(['result' => false]);
        }
    }

    private function sample(Sample $sample, Cut $cut, Plan $plan, Meter $meter): void
    {
        // A run shares the machine with the pieces, and the time that they take says little.
        $shared = $this->queue->isInHand(Run::WORK);
        $sampled = $this->sampler->sample($cut->path, $cut->reading(), $cut->found(), $plan, $meter->shouldStop(...));
        $shared = $shared || $this->queue->isInHand(Run::WORK);
        $sample->update(['result' => get_object_vars($shared ? $sampled->untimed() : $sampled)]);
    }
}
