<?php

namespace App\Packing;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Media\CutFile;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Models\Cut;
use App\Models\LibraryUse;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Run\RunFolder;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OuterCrate\Desk\Column;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\OutputSpec;

/** Freezes plans into runs, which wait in the queue to be made. */
class Packer
{
    public function __construct(
        private readonly Capabilities $capabilities,
        private readonly WorkQueue $queue,
        private readonly MakeFile $make,
        private readonly PlanDocument $documents,
    ) {
    }

    /**
     * Says beforehand what can be known to fail; then nothing is queued.
     *
     * @param  list<Column>  $columns
     * @param  bool  $again  also where the very same was made already
     * @param  list<string|null>  $keys  of the columns on the cut's sheet; what was sent back there is made in its place
     * @return Collection<int, Run>
     *
     * @throws PackRefused
     * @throws MadeAlready
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function pack(Cut $cut, array $columns, string $folder, bool $again = true, array $keys = []): Collection
    {
        $this->refuseWhatCannotWork($cut, $columns, $folder);
        $state = CutFile::stateOf($cut->path);
        $pack = (string) Str::uuid7();
        // Described before the transaction: others wait while it holds the lock.
        $rows = array_map(fn (Column $column, ?string $key): array => [
            'pack' => $pack,
            'output' => $key,
            'cut_id' => $cut->id,
            'cut_name' => $cut->name,
            'source' => $cut->path,
            'name' => self::nameOf($column->plan->spec),
            'file' => rtrim($folder, '/').'/'.$column->plan->file->path(),
            'cut_state' => $state,
            'plan' => $plan = $column->toArray() + ['speedKey' => TimeEstimate::key($column->plan)],
            'card' => Run::cardOf($plan, null),
            'same' => self::sameness($plan, $state),
            'document' => $this->documents->write($column->plan, $cut->readingDocument()),
        ], $columns, array_pad($keys, count($columns), null));

        return DB::transaction(function () use ($rows, $cut, $again): Collection {
            // The first write: a second click waits here, and then sees what the first one queued.
            Cut::query()->whereKey($cut->id)->update(['updated_at' => now()]);
            $again || self::refuseTwice($cut, array_column($rows, 'same'));
            LibraryUse::count('preset', array_column(array_column($rows, 'plan'), 'preset'));
            LibraryUse::count('host', array_filter(array_column(array_column($rows, 'plan'), 'host')));
            $runs = new Collection;
            foreach ($rows as $row) {
                $runs->push($run = Run::query()->create($row));
                $this->put($run);
                $this->takePlace($run);
            }

            return $runs;
        });
    }

    /**
     * Makes once more what a run makes or made, as it was planned then; by itself, at the end of the queue.
     *
     * @throws PackRefused when its cut is no longer what it was
     */
    public function again(Run $run): Run
    {
        $this->capabilities->need();
        Drive::need(dirname($run->source), ', then make it again');
        if ($run->cut === null || CutFile::hasChanged($run->cut)) {
            throw new PackRefused("The file of {$run->cut_name} has changed or gone since this was packed.", 'Pack it from its sheet.');
        }

        return DB::transaction(function () use ($run): Run {
            $again = $run->replicate(['slip', 'sent_seconds', 'sent_at', 'cleared_at']);
            $again->fill(['pack' => (string) Str::uuid7(), 'card' => Run::cardOf($run->plan, null)])->save();
            $this->put($again);

            return $again;
        });
    }

    private function put(Run $run): void
    {
        $run->setRelation('work', $this->queue->put($this->make, $run->id, expected: $run->plan['estimate']['seconds']));
    }

    /** What a run is called beside its cut. */
    private static function nameOf(OutputSpec $spec): string
    {
        return trim(($spec->host->name ?? $spec->preset->role->value).' '.($spec->piece->number ?? '').' '.($spec->piece->name ?? ''));
    }

    /** In place of a run that was sent back to the sheet for it. */
    private function takePlace(Run $run): void
    {
        $recalled = $run->output === null ? null : Run::query()
            ->where(['cut_id' => $run->cut_id, 'output' => $run->output, 'recalled' => true])
            ->whereKeyNot($run->id)
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Waiting))
            ->first();
        if ($recalled !== null) {
            $run->work->update(['place' => $recalled->work->place]);
            $recalled->work->delete();
            $recalled->delete();
            RunFolder::discardLeftovers($recalled);
            RunFolder::forget($recalled->id);
        }
    }

    /** Back into the queue, at its place: what failed, and what was stopped. */
    public function retry(Run $run): void
    {
        DB::transaction(function () use ($run): void {
            // The state may be out of date: another user may have retried the run already.
            $state = Work::query()->where(['kind' => Run::WORK, 'subject' => $run->id])->lockForUpdate()->first()?->state;
            if (! in_array($state, [WorkState::Failed, WorkState::Stopped], true)) {
                throw new PackRefused('Only what failed or was stopped is tried again.', 'Make it again, if another file is wanted.');
            }
            $run->update(['slip' => null, 'cleared_at' => null, 'gone_at' => null]);
            $this->put($run);
        });
    }

    /**
     * @param  list<string>  $wanted
     *
     * @throws MadeAlready where all of it is there or under way: a second click, most of all
     */
    private static function refuseTwice(Cut $cut, array $wanted): void
    {
        $known = Run::query()
            ->where('cut_id', $cut->id)
            ->whereIn('same', $wanted)
            ->whereHas('work', fn (Builder $work): Builder => $work->whereIn('state', [...WorkState::underWay(), WorkState::Done]))
            ->orderBy('id')
            ->get()
            ->filter(fn (Run $run): bool => ! $run->work->state->isOver() || ($run->gone_at === null && file_exists($run->file)));
        if (array_diff($wanted, $known->pluck('same')->all()) === []) {
            $names = $known->map(fn (Run $run): string => mb_scrub(basename($run->file)))->unique()->values()->all();
            throw new MadeAlready($names ?: [$cut->name], $known->contains(fn (Run $run): bool => ! $run->work->state->isOver()));
        }
    }

    /**
     * What makes two runs the same: the cut's file, the frames and every value but the name, which is another each time.
     *
     * @param  array<string, mixed>  $plan
     * @param  array{bytes: int, modified: int, fingerprint: string}  $state
     */
    private static function sameness(array $plan, array $state): string
    {
        $values = array_diff_key($plan['values'], ['file' => true]);

        return hash('xxh128', serialize([$state, $plan['preset'], $plan['host'], $plan['range'], $values]));
    }

    /** @param  list<Column>  $columns */
    private function refuseWhatCannotWork(Cut $cut, array $columns, string $folder): void
    {
        $this->capabilities->need();
        if ($columns === []) {
            throw new PackRefused('There is nothing to make.', 'Add an output first.');
        }
        Drive::need(dirname($cut->path), ', then pack again');
        if (CutFile::hasChanged($cut)) {
            throw new PackRefused(
                "The file of {$cut->name} has changed or gone since it was read.",
                'Open its sheet to point to it or to read it again.',
            );
        }
        foreach ($columns as $column) {
            $stop = $column->firstStop();
            if ($stop !== null) {
                throw new PackRefused("{$column->plan->spec->preset->name}: {$stop->text}", 'Its findings say what can be done.');
            }
        }
        Drive::need($folder, ', then pack again; or choose another folder');
        OutputFile::needFolder($folder);
    }
}
