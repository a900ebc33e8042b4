<?php

namespace App\Dispatch;

use App\Models\Dispatch;
use App\Models\WorkState;
use App\Work\WorkEnded;
use OuterCrate\Dispatch\Stage;
use Throwable;

/** Whatever ended a sending, its page says so: also what nobody foresaw, and what cost its worker's life. */
final class NoteSendingEnd
{
    public function handle(WorkEnded $event): void
    {
        $work = $event->work;
        $stage = match ($work->state) {
            WorkState::Failed => Stage::Failed,
            WorkState::Stopped => Stage::Stopped,
            default => null,
        };
        if ($work->kind !== Dispatch::SENDS || $stage === null) {
            return;
        }
        try {
            $dispatch = Dispatch::query()->whereIn('stage', [Stage::Waiting, Stage::Sending])->find($work->subject);
            $dispatch?->note($work->error ?? 'Stopped.', ['stage' => $stage, 'problem' => $work->error]);
        } catch (Throwable $e) {
            report($e);
        }
    }
}
