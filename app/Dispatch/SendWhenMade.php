<?php

namespace App\Dispatch;

use App\Models\Run;
use App\Work\WorkEnded;
use Throwable;

/** What is to be sent when it is made goes on its way then. */
final class SendWhenMade
{
    public function __construct(private readonly Dispatches $dispatches)
    {
    }

    public function handle(WorkEnded $event): void
    {
        if ($event->work->kind !== Run::WORK) {
            return;
        }
        try {
            $run = Run::query()->find($event->work->subject);
            $run === null ?: $this->dispatches->runEnded($run);
        } catch (Throwable $e) {
            // The file is made, whatever becomes of this.
            report($e);
        }
    }
}
