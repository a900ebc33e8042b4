<?php

namespace App\QueueEnd;

use App\Models\QueueEnd;
use App\Models\Run;
use App\Models\WorkState;
use App\Work\WorkEnded;
use App\Work\WorkQueue;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Notes when nothing is left to make, once, and has it told where that is asked. */
class NoteQueueEnd
{
    public function __construct(
        private readonly WorkQueue $queue,
        private readonly TellQueueEnd $tell,
        private readonly RunEndCommand $command,
    ) {
    }

    public function handle(WorkEnded $ended): void
    {
        if ($ended->work->kind !== Run::WORK) {
            return;
        }
        try {
            $end = DB::transaction($this->note(...));
            foreach ($end === null ? [] : [$this->tell, $this->command] as $kind) {
                $kind->isAsked() ? $this->queue->put($kind, $end->id) : null;
            }
        } catch (Throwable $e) {
            // The file is made, whatever becomes of this.
            report($e);
        }
    }

    private function note(): ?QueueEnd
    {
        // A transaction takes the lock for writing as it begins: of two workers whose last runs end together, the second finds all told.
        $untold = Run::over()->whereNull('queue_end_id');
        if (Run::underWay()->exists() || ! $untold->exists()) {
            return null;
        }
        $end = QueueEnd::query()->create(['ended_at' => now(), 'told' => ['made' => [], 'failed' => [], 'stopped' => []]]);
        $untold->update(['queue_end_id' => $end->id]);
        $runs = Run::query()->where('queue_end_id', $end->id)->orderBy('id')->get();
        $of = fn (WorkState $state): array => $runs
            ->filter(fn (Run $run): bool => $run->work->state === $state)
            ->map(fn (Run $run): array => [
                'run' => $run->id,
                'cut' => $run->cut_name,
                'output' => $run->name,
                'file' => mb_scrub($run->file),
                'bytes' => $run->slip['bytes'] ?? null,
                'sha256' => $run->slip['sha256'] ?? null,
                'error' => $run->work->error,
            ])->values()->all();
        $end->update(['told' => [
            'made' => $of(WorkState::Done), 'failed' => $of(WorkState::Failed), 'stopped' => $of(WorkState::Stopped),
        ]]);

        return $end;
    }
}
