<?php

namespace App\Packing;

use App\Media\Drive;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\WorkEnded;
use Throwable;

/** Of a run that is not made, nothing stays beside its place: also where its worker was killed, and nobody took it up again. */
final class ClearLeftovers
{
    /** Seconds for which ended runs are looked at again: no engine works on one file for longer. */
    private const LATELY = 3 * 86_400;

    /** Seconds after which nobody writes to a file any more: a run may have been taken up again since it was looked at. */
    private const SILENT = 600;

    public function handle(WorkEnded $event): void
    {
        $work = $event->work;
        if ($work->kind !== Run::WORK || ! in_array($work->state, [WorkState::Failed, WorkState::Stopped], true)) {
            return;
        }
        try {
            $run = Run::query()->find($work->subject);
            $run === null || MakeFile::discardLeftovers($run);
        } catch (Throwable $e) {
            report($e);
        }
    }

    /**
     * The same for all runs that ended lately, done ones too: an engine whose worker is killed in the moment in which it starts outlives
     * that, and writes its file beside the one that is made afterwards.
     */
    public function sweep(): void
    {
        $ended = Work::query()->select('subject')->where('kind', Run::WORK)->whereNotIn('state', WorkState::underWay())
            ->where('ended_at', '>', Work::now(-self::LATELY));
        foreach (Run::query()->whereIn('id', $ended)->get(['id', 'file']) as $run) {
            Drive::answers(dirname($run->file)) && MakeFile::discardLeftovers($run, age: self::SILENT);
        }
    }
}
