<?php

namespace App\Packing\Segments;

use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Models\Part;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Run\FileInProgress;
use App\Work\Ending;
use App\Work\WorkQueue;
use Closure;
use Illuminate\Database\Eloquent\Collection;

/**
 * Has parts made by all machines that are free for it, this one among them. They are work like any other: claimed, beaten for, taken over.
 */
class PartRound
{
    /** Microseconds between looks at what others do. */
    private const PAUSE = 200_000;

    public function __construct(private readonly WorkQueue $queue, private readonly MakePart $parts)
    {
    }

    /**
     * @param  Collection<int, Part>  $parts
     * @return bool false when one of them failed
     *
     * @throws Stopped
     */
    public function make(Collection $parts, FileInProgress $file, PartStage $stage): bool
    {
        $parts->each(fn (Part $part) => $this->queue->put($this->parts, $part->id));
        $follow = fn (Collection $works) => $this->follow($parts, $works, $file, $stage);
        $meter = $file->meter;
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
                $follow($works);
                $meter->check();
                $waiting = $works->where('state', WorkState::Waiting)->pluck('id')->values()->all();
                $own = $waiting === [] ? null : $this->queue->claim([$this->parts], (string) $meter->work->owner, $waiting);
                $own === null ? usleep(self::PAUSE) : $this->here($own, $parts, $file, fn () => $follow($this->works($parts)));
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
     * @param  Closure(): void  $follow
     */
    private function here(Work $work, Collection $parts, FileInProgress $file, Closure $follow): void
    {
        $meter = $file->meter;
        $own = $meter->alongside($work);
        $looked = 0;
        // Asked several times a second; what others have done is looked up now and then.
        $shouldStop = function () use ($meter, $own, $follow, &$looked): bool {
            ++$looked % 25 === 0 && $follow();

            return $meter->shouldStop() || $own->shouldStop();
        };
        $part = $parts->firstWhere('id', $work->subject);
        assert($part instanceof Part);
        $part->setRelation('run', $file->run);
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
    private function follow(Collection $parts, Collection $works, FileInProgress $file, PartStage $stage): void
    {
        $frames = $parts->mapWithKeys(fn (Part $part): array => [$part->id => $part->range()->count()]);
        $share = $works->sum(fn (Work $work): float => $work->percent / 100 * $frames[$work->subject]) / max(1, $frames->sum());
        $done = (int) round($share * (int) $file->run->plan['frames']);
        $speed = (float) $works->whereIn('state', [WorkState::Running])->sum('speed');
        $all = $stage->from + ($stage->to - $stage->from) * $share;
        $file->meter->note($all, ['frames' => $done, 'speed' => $speed > 0 ? $speed : null, 'detail' => [
            'pass' => $stage->pass, 'passes' => $stage->passes, 'gathers' => $stage->gathers(), 'bytes' => 0, 'toCome' => null,
        ]]);
        $isPaused = $file->meter->isPaused();
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
}
