<?php

namespace App\Packing;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Media\CutFile;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Models\Cut;
use App\Models\Run;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OuterCrate\Desk\Column;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Json\Freezer;

/** Freezes plans into runs, which wait in the queue to be made. */
class Packer
{
    public function __construct(
        private readonly Capabilities $capabilities,
        private readonly WorkQueue $queue,
        private readonly MakeFile $make,
    ) {
    }

    /**
     * Says beforehand what can be known to fail; then nothing is queued.
     *
     * @param  list<Column>  $columns
     * @return Collection<int, Run>
     *
     * @throws PackRefused
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function pack(Cut $cut, array $columns, string $folder): Collection
    {
        $this->refuseWhatCannotWork($cut, $columns, $folder);
        $state = CutFile::stateOf($cut->path);
        $pack = (string) Str::uuid7();
        // Described before the transaction: others wait while it holds the lock.
        $rows = array_map(fn (Column $column): array => [
            'pack' => $pack,
            'cut_id' => $cut->id,
            'cut_name' => $cut->name,
            'source' => $cut->path,
            'name' => $column->plan->spec->host->name ?? $column->plan->spec->preset->role->value,
            'file' => rtrim($folder, '/').'/'.$column->plan->file->path(),
            'cut_state' => $state,
            'plan' => $plan = $column->toArray() + ['speedKey' => TimeEstimate::key($column->plan)],
            'card' => Run::cardOf($plan, null),
            'frozen' => Freezer::freeze($column->plan),
        ], $columns);

        return DB::transaction(function () use ($rows): Collection {
            $runs = new Collection;
            foreach ($rows as $row) {
                $runs->push($run = Run::query()->create($row));
                $run->setRelation('work', $this->queue->put($this->make, $run->id));
            }

            return $runs;
        });
    }

    /** @param  list<Column>  $columns */
    private function refuseWhatCannotWork(Cut $cut, array $columns, string $folder): void
    {
        $this->capabilities->need();
        if ($columns === []) {
            throw new PackRefused('There is nothing to make.', 'Add an output first.');
        }
        if ($cut->hasChanged()) {
            throw new PackRefused(
                "The file of {$cut->name} has changed or gone since it was read.",
                'Open its sheet to point to it or to read it again.',
            );
        }
        foreach ($columns as $column) {
            $stop = $column->firstStop();
            if ($stop !== null) {
                throw new PackRefused("{$column->plan->spec->preset->name}: {$stop->text}");
            }
        }
        OutputFile::needFolder($folder);
    }
}
