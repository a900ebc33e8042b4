<?php

namespace App\Packing;

use App\Models\Run;
use App\Models\WorkState;
use App\Work\WorkEnded;
use Throwable;

/** Of a run that is not made, nothing stays beside its place: also where its worker was killed, and nobody took it up again. */
final class ClearLeftovers
{
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
}
