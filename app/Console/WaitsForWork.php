<?php

namespace App\Console;

use App\Models\Work;
use App\Work\Worker;
use App\Work\WorkQueue;

/** Does a piece of work while somebody stands and waits for it: shows how far it is, and stops it on Ctrl-C. */
trait WaitsForWork
{
    private function finish(Worker $worker, WorkQueue $queue, Work $work, string $doing): Work
    {
        $this->trap([SIGINT, SIGTERM], function () use ($queue, $work): void {
            $queue->stop($work);
        });
        $said = null;
        $worker->finish($work, function (Work $work) use ($doing, &$said): void {
            if ($work->error !== null && $work->error !== $said && ! $work->state->isOver()) {
                $said = $work->error;
                fwrite(STDERR, (stream_isatty(STDERR) ? "\r\e[2K" : '')."{$said}\n");
            }
            stream_isatty(STDERR) && fwrite(STDERR, sprintf("\r\e[2K%s · %d %%", $doing, $work->percent));
        });
        stream_isatty(STDERR) && fwrite(STDERR, "\r\e[2K");

        return $work;
    }
}
