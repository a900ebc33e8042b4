<?php

namespace App\Packing;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Media\OutputFile;
use App\Models\Part;
use App\Models\PresentWorker;
use App\Models\Speed;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Ending;
use App\Work\Meter;
use App\Work\Owner;
use App\Work\Presence;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\PartList;
use OuterCrate\Encoding\PartWitness;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\Witness;
use OuterCrate\Estimates\Dividing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Json\Freezer;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/**
 * Has a long file made in parts by all machines that are free for it, this one among them, and gives the pass that joins them. Parts are
 * work like any other: claimed, beaten for, taken over. What is there of them is kept until the file is made.
 */
class InParts
{
    /** Microseconds between looks at what others do. */
    private const PAUSE = 200_000;

    /** Share of the whole that is done when all parts are there. */
    private const SHARE = 0.96;

    public function __construct(
        private readonly WorkQueue $queue,
        private readonly MakePart $parts,
        private readonly PassBuilder $passes,
        private readonly Encoders $encoders,
        private readonly Capabilities $capabilities,
    ) {
    }

    /**
     * @return Pass|null null where the file is made as a whole
     *
     * @throws Stopped
     */
    public function joining(Making $making, Plan $plan): ?Pass
    {
        $run = $making->run;
        $reading = $run->cut?->reading();
        if ($reading === null) {
            return null;
        }
        $frozen = Freezer::freeze($plan);
        $digest = substr(hash('xxh128', serialize([$frozen, $run->cut_state])), 0, 16);
        $parts = Part::query()->where('run_id', $run->id)->where('file', 'like', "part-{$digest}-%")->orderBy('number')->get();
        if ($parts->isEmpty()) {
            $ranges = $this->ranges($plan, $reading);
            if ($ranges === []) {
                return null;
            }
            self::forget($run->id);
            foreach ($ranges as $i => $range) {
                Part::query()->create([
                    'run_id' => $run->id, 'number' => $i + 1, 'first' => $range->first, 'last' => $range->last, 'plan' => $frozen,
                    'file' => sprintf('part-%s-%03d.mov', $digest, $i + 1),
                ]);
            }
            $parts = Part::query()->where('run_id', $run->id)->orderBy('number')->get();
        }
        $parts->each(fn (Part $part) => $this->queue->put($this->parts, $part->id));
        $making->journal->result("Divided into {$parts->count()} parts, for all machines that are free.");
        if (! $this->made($parts, $making)) {
            $making->journal->result('A part could not be made by itself: the file is made as a whole.');

            return null;
        }
        $list = $parts->map(fn (Part $part): array => ['name' => $part->file, 'range' => $part->range()])->all();
        $this->witness($parts, $making, $plan);
        OutputFile::write("{$making->scratch->path}/".PartList::FILE, PartList::of(array_values($list), $plan->frameRate->rate));

        return $this->passes->joining($plan, $reading, PartList::FILE);
    }

    /** Forgets the parts of a run; whoever is at one hears of it. */
    public static function forget(int $run): void
    {
        $ids = Part::query()->where('run_id', $run)->pluck('id');
        Work::query()->where('kind', Part::WORK)->whereIn('subject', $ids)->delete();
        Part::query()->whereKey($ids)->delete();
    }

    /** @return list<FrameRange> none where there is no other machine, or it is not worth it */
    private function ranges(Plan $plan, Reading $reading): array
    {
        $machines = $this->machines();
        if ($machines < 2) {
            return [];
        }
        $times = new TimeEstimate($this->encoders, Speed::known());
        $dividing = new Dividing($times, (float) config('crate.work.least_part'), (int) config('crate.work.parts_each'));

        return $dividing->of($plan, $reading, $machines);
    }

    /**
     * Puts together what the parts left of the cut.
     *
     * @param  Collection<int, Part>  $parts
     */
    private function witness(Collection $parts, Making $making, Plan $plan): void
    {
        $scratch = $making->scratch;
        $scratch->remove(Witness::PICTURES, Witness::TIMES);
        $witness = new PartWitness($plan, $making->run->cut->reading());
        foreach ($parts as $part) {
            $seen = $witness->of($part->range(), $scratch->lines("{$part->file}.times"));
            $size = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;
            $scratch->append("{$part->file}.pictures", $seen['first'] * $size, count($seen['times']) * $size, Witness::PICTURES);
            $scratch->add(Witness::TIMES, array_map(fn (float $time): string => sprintf("pts_time:%.6f\n", $time), $seen['times']));
        }
    }

    /**
     * @param  Collection<int, Part>  $parts
     * @return bool false when one of them failed
     */
    private function made(Collection $parts, Making $making): bool
    {
        $meter = $making->meter;
        try {
            while (true) {
                $works = $this->works($parts);
                if ($works->contains('state', WorkState::Failed)) {
                    $works->each(fn (Work $work) => $work->state->isOver() ?: $this->queue->stop($work));

                    return false;
                }
                if ($works->every(fn (Work $work): bool => $work->state === WorkState::Done)) {
                    return true;
                }
                // Of an earlier stop of the file, which somebody took back before all had heard of it.
                $works->where('state', WorkState::Stopped)->each(fn (Work $work) => $this->queue->put($this->parts, $work->subject));
                $this->follow($parts, $works, $making);
                $meter->check();
                $waiting = $works->where('state', WorkState::Waiting)->pluck('id')->values()->all();
                $own = $waiting === [] ? null : $this->queue->claim([$this->parts], (string) $meter->work->owner, $waiting);
                $own === null ? usleep(self::PAUSE) : $this->here($own, $parts, $making);
            }
        } catch (Stopped $e) {
            if ($meter->ending() === Ending::Stopped) {
                $this->works($parts)->each(fn (Work $work) => $work->state->isOver() ?: $this->queue->stop($work));
            }
            throw $e;
        }
    }

    /**
     * Makes a part in this process.
     *
     * @param  Collection<int, Part>  $parts
     */
    private function here(Work $work, Collection $parts, Making $making): void
    {
        $meter = $making->meter;
        $own = $meter->alongside($work);
        $looked = 0;
        // Asked several times a second; what others have done is looked up now and then.
        $shouldStop = function () use ($meter, $own, $parts, $making, &$looked): bool {
            ++$looked % 25 === 0 && $this->follow($parts, $this->works($parts), $making);

            return $meter->shouldStop() || $own->shouldStop();
        };
        $part = $parts->firstWhere('id', $work->subject);
        assert($part instanceof Part);
        $part->setRelation('run', $making->run);
        try {
            $this->parts->make($part, $work->attempts, $own, $shouldStop, $meter->isPaused(...));
            $this->queue->end($work, WorkState::Done);
        } catch (Stopped) {
            // The file's own end is told by its own meter.
            $this->queue->giveBack($work);
        } catch (EngineFailed $e) {
            $this->queue->end($work, WorkState::Failed, $e->getMessage());
        }
    }

    /**
     * Tells how far all of it is, and has the others stand still with it.
     *
     * @param  Collection<int, Part>  $parts
     * @param  Collection<int, Work>  $works
     */
    private function follow(Collection $parts, Collection $works, Making $making): void
    {
        $frames = $parts->mapWithKeys(fn (Part $part): array => [$part->id => $part->range()->count()]);
        $share = $works->sum(fn (Work $work): float => $work->percent / 100 * $frames[$work->subject]) / max(1, $frames->sum());
        $done = (int) round($share * (int) $making->run->plan['frames']);
        $speed = (float) $works->whereIn('state', [WorkState::Running])->sum('speed');
        $making->meter->note(self::SHARE * $share, ['frames' => $done, 'speed' => $speed > 0 ? $speed : null, 'detail' => [
            'pass' => 1, 'passes' => 2, 'gathers' => false, 'bytes' => 0, 'toCome' => null,
        ]]);
        $isPaused = $making->meter->isPaused();
        $works->each(fn (Work $work) => $work->paused === $isPaused || $work->state->isOver() ?: $this->queue->pause($work, $isPaused));
    }

    /**
     * @param  Collection<int, Part>  $parts
     * @return Collection<int, Work>
     */
    private function works(Collection $parts): Collection
    {
        return Work::query()->where('kind', Part::WORK)->whereIn('subject', $parts->modelKeys())->orderBy('id')->get();
    }

    /** Machines that would make parts: with the same engine, as parts of two are not joined, and this one among them. */
    private function machines(): int
    {
        return Presence::all()
            ->filter(fn (PresentWorker $worker): bool => in_array(Part::WORK, $worker->kinds, true)
                && $worker->misses === null && $worker->engine === $this->capabilities->version())
            ->pluck('host')->push(Owner::machine())->unique()->count();
    }
}
