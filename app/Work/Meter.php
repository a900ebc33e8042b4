<?php

namespace App\Work;

use App\Database\DatabaseFile;
use App\Engine\Clock;
use App\Engine\Stopped;
use App\Models\Work;
use App\Models\WorkState;
use Closure;
use Illuminate\Database\QueryException;

/** The thread between a piece of work and its queue: notes how far it is, keeps its lease, and hears when it is to end. */
final class Meter
{
    /** Seconds between notes of progress, and between looks at whether it is to go on. */
    private const NOTES = 0.3;

    private const LOOKS = 0.4;

    private const PAUSED_LOOKS = 1.0;

    /** Share of the work, and seconds, after which something can be said about the rest. */
    private const TELLING_SHARE = 0.02;

    private const TELLING_SECONDS = 1.0;

    private ?Ending $ending = null;

    private float $noted = 0.0;

    private float $looked = 0.0;

    private bool $paused = false;

    private float $beaten;

    private readonly float $begun;

    private ?float $first = null;

    /** @var list<self> of what is done together with it: while one is busy, the leases of the others are kept as well */
    private array $company = [];

    /**
     * @param  Closure(): bool  $leaving  true once this process is to end
     * @param  Closure(Work): void|null  $onProgress
     * @param  list<int>|null  $only  ids of what this process may do, where somebody stands and waits for it; null for whatever comes
     */
    public function __construct(
        private readonly WorkQueue $queue,
        public readonly Work $work,
        private readonly Kind $kind,
        private readonly Closure $leaving,
        private readonly ?Closure $onProgress = null,
        private readonly ?array $only = null,
        private readonly ?Presence $presence = null,
    ) {
        $this->begun = $this->beaten = Clock::seconds();
    }

    /** Whether this process may do another piece of work together with this one. */
    public function mayTake(Work $work): bool
    {
        return $this->only === null || in_array($work->id, $this->only, true);
    }

    /** For another piece of work that this process does together with this one. */
    public function alongside(Work $work): self
    {
        $other = new self($this->queue, $work, $this->kind, $this->leaving, null, $this->only);
        foreach ([$this, ...$this->company] as $one) {
            $other->company[] = $one;
            $one->company[] = $other;
        }

        return $other;
    }

    /**
     * How far it is.
     *
     * @param  float  $share  from 0 to 1
     * @param  array{frames?: int, speed?: ?float, detail?: array<string, mixed>}  $more
     */
    public function note(float $share, array $more = [], bool $last = false): void
    {
        $now = Clock::seconds();
        // What was done by an earlier owner says nothing of how fast this one is.
        $this->first ??= $share < self::TELLING_SHARE ? 0.0 : $share;
        if ($now - $this->noted < self::NOTES && ! $last) {
            return;
        }
        $this->noted = $now;
        $new = $share - $this->first;
        $elapsed = $now - $this->begun;
        $tells = $new >= self::TELLING_SHARE && $elapsed >= self::TELLING_SECONDS;
        $this->beat([
            'percent' => max(0, min(99, (int) floor(100 * $share))),
            'seconds_left' => $tells ? (int) ceil($elapsed * (1 - $share) / $new) : null,
        ] + $more);
    }

    /** What is made is looked at before it counts. */
    public function checking(): void
    {
        $this->beat(['state' => WorkState::Checking, 'seconds_left' => null]);
        $this->work->state = WorkState::Checking;
    }

    /** What was looked at is made once more. */
    public function encoding(): void
    {
        $this->beat(['state' => WorkState::Running]);
        $this->work->state = WorkState::Running;
    }

    /** Nothing will be heard for a while: what follows cannot be asked in between. */
    public function hold(int $seconds): void
    {
        $this->beat([], $seconds);
        array_map(fn (self $other) => $other->beat([], $seconds), $this->company);
    }

    /** Asked several times a second while the engine works. */
    public function shouldStop(): bool
    {
        $now = Clock::seconds();
        if ($this->ending !== null || $now - $this->looked < ($this->paused ? self::PAUSED_LOOKS : self::LOOKS)) {
            return $this->ending !== null;
        }
        $this->looked = $now;
        $this->ending = $this->look($now);

        return $this->ending !== null;
    }

    /** Whether what is being made is to stand still, as shouldStop() found when it looked last. */
    public function isPaused(): bool
    {
        return $this->paused;
    }

    /** What is asked of what is done together with it is asked of it as well. */
    public function pause(bool $paused): void
    {
        $this->queue->pause($this->work, $paused);
        $this->paused = $paused;
    }

    /** @throws Stopped when it is to end */
    public function check(): void
    {
        if ($this->shouldStop()) {
            throw new Stopped;
        }
    }

    /**
     * Runs a write only while this process still owns the work.
     *
     * @param  Closure(): mixed  $write
     *
     * @throws Stopped if another process owns it; then nothing was written
     */
    public function write(Closure $write): void
    {
        if (! $this->queue->whileOwned($this->work, $write)) {
            $this->ending = Ending::Lost;
            throw new Stopped;
        }
    }

    /** Why it was to end. */
    public function ending(): Ending
    {
        return $this->ending ?? Ending::Interrupted;
    }

    private function look(float $now): ?Ending
    {
        if (($this->leaving)()) {
            return Ending::Interrupted;
        }
        try {
            DatabaseFile::look();
            $this->presence?->say();
            $asked = $this->queue->asked($this->work);
            if ($asked === null || $asked['stop']) {
                return $asked === null ? Ending::Lost : Ending::Stopped;
            }
            $this->paused = $asked['pause'];
            if ($this->only === null && $this->kind::declaration()->yields && $this->queue->shouldGiveWay($this->work)) {
                return Ending::Interrupted;
            }
        } catch (QueryException $e) {
            // A database that cannot be asked for a moment is no reason to throw hours of work away.
            report($e);
        }
        array_map(fn (self $one) => $one->keep($now), [$this, ...$this->company]);

        return $this->ending;
    }

    private function keep(float $now): void
    {
        if ($this->ending === null && $now - $this->beaten > WorkQueue::lease() / 4) {
            $this->beat();
        }
    }

    /** @param  array<string, mixed>  $progress */
    private function beat(array $progress = [], ?float $seconds = null): void
    {
        $this->beaten = Clock::seconds();
        try {
            if (! $this->queue->beat($this->work, $progress, $seconds)) {
                $this->ending = $this->queue->asked($this->work) === null ? Ending::Lost : Ending::Stopped;

                return;
            }
        } catch (QueryException $e) {
            report($e);

            return;
        }
        if ($this->onProgress !== null) {
            ($this->onProgress)($this->work->refresh());
        }
    }
}
