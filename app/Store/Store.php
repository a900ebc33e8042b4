<?php

namespace App\Store;

use App\Media\Bin;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Media\Workspace;
use App\Models\ClearedFile;
use App\Models\Cut;
use App\Models\Run;
use App\Models\WorkState;
use App\Packing\PackRefused;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Presets\Role;
use OuterCrate\Store\Keeping;
use OuterCrate\Store\StoredFile;
use OuterCrate\Units\FrameRange;

/** What was made and takes room: looked through, cleared away, put back, and in the end deleted. */
class Store
{
    /** @return Collection<int, Run> whose files lie where they were made */
    public function runs(): Collection
    {
        return Run::query()
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Done))
            ->with('cut')
            ->orderBy('cut_name')->orderBy('cut_id')->orderBy('id')
            ->get()
            ->filter(fn (Run $run): bool => file_exists($run->file))
            ->values();
    }

    /** @return Collection<int, ClearedFile> */
    public function cleared(): Collection
    {
        return ClearedFile::query()->with('run')->orderBy('id')->get();
    }

    /**
     * Why files cannot be cleared, each by itself.
     *
     * @param  Collection<int, Run>  $runs
     * @return array<int, string> by run
     */
    public function kept(Collection $runs): array
    {
        $kept = [];
        foreach ($runs as $run) {
            $kept += self::keeping($runs, [$run->id]);
        }

        return $kept;
    }

    /**
     * Clears all of these away, or none.
     *
     * @param  list<int>  $ids  of runs
     *
     * @throws PackRefused when one of them has to stay
     * @throws FileProblem
     */
    public function clear(array $ids): void
    {
        $runs = $this->runs();
        $kept = self::keeping($runs, $ids);
        foreach ($kept as $id => $why) {
            $name = mb_scrub(basename($runs->firstOrFail('id', $id)->file));
            throw new PackRefused("{$name} stays, and so does all else. {$why}", 'Leave it out.');
        }
        foreach ($runs->whereIn('id', $ids) as $run) {
            $bytes = Bin::bytes($run->file);
            $cleared = Bin::put($run->file);
            ClearedFile::query()->updateOrCreate(
                ['run_id' => $run->id],
                ['path' => $run->file, 'cleared' => $cleared, 'bytes' => $bytes],
            );
        }
    }

    /** @throws FileProblem */
    public function takeBack(): void
    {
        foreach ($this->cleared() as $file) {
            Bin::takeBack($file->cleared, $file->path);
            $file->delete();
        }
    }

    /** Deletes for good what was cleared away. */
    public function empty(): void
    {
        foreach ($this->cleared() as $file) {
            Bin::empty($file->cleared);
            $file->delete();
        }
    }

    /** @return array{pictures: int, steps: int} bytes of what can be made again at any time */
    public function derived(): array
    {
        return [
            'pictures' => array_sum(array_map(Bin::bytes(...), glob(config('crate.derived').'/cuts/*/frames') ?: [])),
            'steps' => Bin::bytes(config('crate.derived').'/transit'),
        ];
    }

    /** @param  string  $what  pictures or steps */
    public function clearDerived(string $what): void
    {
        if ($what === 'steps') {
            (new StepStore)->prune(0);

            return;
        }
        foreach (Cut::withTrashed()->pluck('id') as $cut) {
            Workspace::forgetPictures((int) $cut);
        }
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @param  list<int>  $ids
     * @return array<int, string>
     */
    private static function keeping(Collection $runs, array $ids): array
    {
        $stored = array_values($runs->map(fn (Run $run): StoredFile => new StoredFile(
            $run->id,
            (int) $run->cut_id,
            Role::from($run->card['role']),
            new FrameRange($run->plan['range']['first'], $run->plan['range']['last']),
        ))->all());
        $gone = $runs->filter(fn (Run $run): bool => $run->cut === null || $run->cut->hasChanged())->pluck('cut_id')->unique();

        return Keeping::of($stored, $ids, array_values($gone->map(fn ($id): int => (int) $id)->all()));
    }
}
