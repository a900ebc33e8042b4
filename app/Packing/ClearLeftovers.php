<?php

namespace App\Packing;

use App\Media\Drive;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Run\RunFolder;
use App\Work\WorkEnded;
use Throwable;

/**
 * Deletes partial files once a run has ended. They are left by workers that were killed, or that kept writing after another worker had
 * taken over the run.
 */
final class ClearLeftovers
{
    /** How long after its end a run is checked for leftovers. No engine works longer on one file. */
    private const CHECKED_SECONDS = 3 * 86_400;

    /** Younger files are kept: the run may have been restarted since it was selected. */
    private const MIN_AGE_SECONDS = 600;

    public function handle(WorkEnded $event): void
    {
        $work = $event->work;
        if ($work->kind !== Run::WORK || ! $work->state->isOver()) {
            return;
        }
        try {
            $run = Run::query()->find($work->subject);
            $run === null || RunFolder::discardLeftovers($run);
        } catch (Throwable $e) {
            report($e);
        }
    }

    /**
     * Deletes partial files of runs that ended recently, including done ones. A machine that was taken for dead may write one after
     * another machine has taken over the run, and then lose power.
     */
    public function sweep(): void
    {
        $ended = Work::query()->select('subject')->where('kind', Run::WORK)->whereNotIn('state', WorkState::underWay())
            ->where('ended_at', '>', Work::now(-self::CHECKED_SECONDS));
        foreach (Run::query()->without('work')->whereIn('id', $ended)->get(['id', 'file']) as $run) {
            Drive::answers(dirname($run->file)) && RunFolder::discardLeftovers($run, minAge: self::MIN_AGE_SECONDS);
        }
    }
}
