<?php

namespace App\Work;

use App\Configuration\WorkSettings;
use App\Engine\Clock;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Calls\Calls;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * One queue for all kinds of work. A piece of work is claimed with a lease that its owner renews; one whose lease ran out is
 * claimed like one that waits, so that there is no recovery apart from this.
 */
class WorkQueue
{
    /** Seconds between checks while work is running or due: its owner may die, or a blocked item may become free. */
    private const BUSY_PAUSE = 0.3;

    private const MIN_PAUSE = 0.05;

    /** Seconds for which something that waits for someone's eyes counts as waited for. */
    private const WAITED_FOR = 10;

    /** @var array<int, array{string, float}> leases that ran out, and when they were first seen so (Clock) */
    private array $ranOut = [];

    public function __construct(private readonly Calls $calls)
    {
    }

    /** Seconds that a lease lasts without being renewed. */
    public static function lease(): float
    {
        return app(WorkSettings::class)->lease;
    }

    /**
     * Puts it in the queue, unless it is there; what is over begins anew, at its place.
     *
     * @param  float|null  $expected  seconds that it is likely to take
     */
    public function put(Kind $kind, int $subject, ?string $wantedAt = null, ?float $expected = null): Work
    {
        $work = Work::query()->firstOrNew(['kind' => $kind::declaration()->name, 'subject' => $subject]);
        if ($work->exists && ! $work->state->isOver()) {
            return $work;
        }
        $place = $work->exists ? $work->place : 1 + (int) Work::query()->where('kind', $kind::declaration()->name)->max('place');
        $anew = [
            ...(new Work)->getAttributes(), 'priority' => $kind::declaration()->priority->value,
            'wanted_at' => $wantedAt, 'place' => $place,
            'expected_seconds' => $expected,
        ];
        if ($work->exists) {
            $work->update($anew);
        } else {
            // Another process may queue the same work at the same moment.
            $work = Work::query()->createOrFirst($work->only(['kind', 'subject']), $anew);
        }
        $this->call();

        return $work;
    }

    /**
     * Moves what waits before another of its kind that waits, or behind all of them. The others keep their order, and what is over keeps
     * its place.
     *
     * @return bool false when it does not wait, or no longer
     */
    public function move(Work $work, ?int $before): bool
    {
        return DB::transaction(function () use ($work, $before): bool {
            // The first write: whoever moves at the same time waits here.
            if (Work::query()->whereKey($work->id)->where('state', WorkState::Waiting)->update(['updated_at' => now()]) === 0) {
                return false;
            }
            $places = $this->waiting($work->kind)->pluck('place', 'id')->all();
            $order = array_values(array_diff(array_keys($places), [$work->id]));
            $at = $before === null ? false : array_search($before, $order, true);
            array_splice($order, $at === false ? count($order) : $at, 0, [$work->id]);
            foreach (array_combine($order, array_values($places)) as $id => $place) {
                $places[$id] === $place || Work::query()->whereKey($id)->update(['place' => $place]);
            }

            return true;
        });
    }

    /** @return Collection<int, Work> that will be taken in hand after this one, if nothing changes */
    public function following(Work $work, int $most): Collection
    {
        return $this->waiting($work->kind)
            ->where('paused', false)
            ->where(Work::due(...))
            ->where(fn (Builder $query): Builder => $query
                ->where('place', '>', $work->place)
                ->orWhere(fn (Builder $same): Builder => $same->where('place', $work->place)->where('id', '>', $work->id)))
            ->limit($most)
            ->get();
    }

    /** What waits is left alone, and what is in hand stands still, until it is to go on. */
    public function pause(Work $work, bool $paused): void
    {
        Work::query()->whereKey($work->id)->whereIn('state', WorkState::underWay())->update(['paused' => $paused]);
        $work->refresh();
        $this->call();
    }

    /** Makes postponed work due now. */
    public function hurry(Work $work): void
    {
        Work::query()->whereKey($work->id)->where('state', WorkState::Waiting)->update(['not_before' => null]);
        $this->call();
    }

    /** Makes all postponed work due now. Called after the clock was set back, which would delay it by as much. */
    public function hurryAll(): void
    {
        Work::query()->where('state', WorkState::Waiting)->whereNotNull('not_before')->update(['not_before' => null]);
        $this->call();
    }

    /** Someone waits for it now: it comes before others of its kind. */
    public function want(string $kind, int $subject): void
    {
        Work::query()
            ->where(['kind' => $kind, 'subject' => $subject])
            ->whereIn('state', WorkState::underWay())
            ->update(['wanted_at' => Work::now()]);
    }

    /**
     * The next piece of work of these kinds, which is the owner's from now on; null when there is none.
     *
     * @param  list<Kind>  $kinds
     * @param  list<int>|null  $only  ids of those that may be taken; all when null
     */
    public function claim(array $kinds, string $owner, ?array $only = null): ?Work
    {
        // Asked five times a second: mostly there is nothing at all.
        if (! Work::query()->whereIn('state', WorkState::underWay())->exists()) {
            return null;
        }
        $this->endLeasesOfTheGone();
        $abandoned = $this->abandoned($owner);
        $this->giveUpLost($abandoned);
        foreach ($kinds as $kind) {
            $this->forgetStale($kind);
            // What somebody stands and waits for gives way to nothing.
            if ($only === null && $kind::declaration()->yields && $this->isBusyAbove($kind::declaration()->priority->value)) {
                continue;
            }
            if ($only === null && $kind instanceof OncePerMachine && $this->isMachineBusy($kind)) {
                continue;
            }
            $atOnce = $only === null ? $kind::declaration()->atOnce : null;
            while (! $this->isFull($kind::declaration()->name, $atOnce) && ($work = $this->next($kind, $only, $abandoned)) !== null) {
                if ($this->take($work, $owner, $atOnce)) {
                    return $work->refresh();
                }
            }
        }

        return null;
    }

    /**
     * Seconds to wait for a call after claim() found nothing: until postponed work is due, or briefly while work is running.
     *
     * @param  list<string>  $kinds
     */
    public function secondsToNext(array $kinds): float
    {
        $waiting = fn (): Builder => Work::query()->whereIn('kind', $kinds)->where(['state' => WorkState::Waiting, 'paused' => false]);
        $isBusy = Work::query()->whereIn('state', WorkState::inHand())->where('paused', false)->exists();
        if ($isBusy || $waiting()->where(Work::due(...))->exists()) {
            return self::BUSY_PAUSE;
        }
        $idle = app(WorkSettings::class)->idle;
        $due = $waiting()->min('not_before');
        $seconds = $due === null ? $idle : now()->diffInMilliseconds(Carbon::parse($due, 'UTC')) / 1000;

        return max(self::MIN_PAUSE, min($idle, $seconds));
    }

    /**
     * Keeps the lease, and notes progress with it.
     *
     * @param  array<string, mixed>  $progress
     * @param  float|null  $seconds  until the next beat at the latest; the usual lease when null
     * @return bool false when it is someone else's by now
     */
    public function beat(Work $work, array $progress = [], ?float $seconds = null): bool
    {
        $detail = isset($progress['detail']) ? ['detail' => json_encode($progress['detail'])] : [];

        return $this->owned($work)->update(['lease_until' => Work::now($seconds ?? self::lease())] + $detail + $progress) === 1;
    }

    /**
     * Runs a write only while this owner still holds the work, checked in the same transaction. An owner that lost its lease must not
     * overwrite the results of the next one.
     *
     * @param  Closure(): mixed  $write
     * @return bool false if another owner holds it; then nothing was written
     */
    public function whileOwned(Work $work, Closure $write): bool
    {
        return DB::transaction(function () use ($work, $write): bool {
            $isOwned = $this->owned($work)->lockForUpdate()->exists();
            $isOwned && $write();

            return $isOwned;
        });
    }

    /**
     * What its owner is asked to do with it; null where it is someone else's by now.
     *
     * @return array{stop: bool, pause: bool}|null
     */
    public function asked(Work $work): ?array
    {
        $asked = $this->owned($work)->first(['stop_asked', 'paused']);

        return $asked === null ? null : ['stop' => $asked->stop_asked, 'pause' => $asked->paused];
    }

    public function end(Work $work, WorkState $state, ?string $error = null): void
    {
        $done = $state === WorkState::Done ? ['percent' => 100] : [];
        $over = [
            'state' => $state,
            'error' => $error,
            'seconds_left' => null,
            'ended_at' => Work::now(),
            'owner' => null,
            'lease_until' => null,
        ];
        if ($this->change($work, $over + $done)) {
            event(new WorkEnded($work));
            // After the event, so that woken workers see what its listeners queued.
            $this->call();
        }
    }

    /** Back into the queue, at its place; unless it was asked to stop meanwhile. */
    public function giveBack(Work $work): void
    {
        if ($this->owned($work)->where('stop_asked', true)->exists()) {
            $this->end($work, WorkState::Stopped);

            return;
        }
        $this->change($work, ['state' => WorkState::Waiting, 'seconds_left' => null, 'owner' => null, 'lease_until' => null]);
        $this->call();
    }

    /** Back into the queue, not to be taken in hand for so many seconds. */
    public function postpone(Work $work, int $seconds, string $error): void
    {
        $this->change($work, [
            'state' => WorkState::Waiting, 'owner' => null, 'lease_until' => null, 'not_before' => Work::now($seconds), 'error' => $error,
        ]);
        // Others may take its slot, and must learn when it is due.
        $this->call();
    }

    /** What waits is stopped at once; what is in hand as soon as its owner hears of it. */
    public function stop(Work $work): void
    {
        Work::query()
            ->whereKey($work->id)
            ->whereIn('state', WorkState::underWay())
            ->update(['stop_asked' => true]);
        Work::query()
            ->whereKey($work->id)
            ->where('state', WorkState::Waiting)
            ->update(['state' => WorkState::Stopped, 'ended_at' => Work::now()]);
        $work->refresh();
        $work->state === WorkState::Stopped ? event(new WorkEnded($work)) : null;
    }

    /** Whether something is there that this piece of work gives way to. */
    public function shouldGiveWay(Work $work): bool
    {
        return $this->isBusyAbove($work->priority) ||
            Work::query()
                ->where(['kind' => $work->kind, 'state' => WorkState::Waiting])
                ->where(Work::due(...))
                ->when($work->wanted_at !== null, fn (Builder $query): Builder => $query->where('wanted_at', '>', $work->wanted_at))
                ->whereNotNull('wanted_at')
                ->exists();
    }

    /** Whether a process of the engine is likely to be busy with making a file. */
    public function isInHand(string $kind): bool
    {
        return Work::query()->where('kind', $kind)->whereIn('state', WorkState::inHand())->where('lease_until', '>', Work::now())->exists();
    }

    /** What was written is there before anyone hears of it. */
    private function call(): void
    {
        DB::afterCommit($this->calls->call(...));
    }

    private function isBusyAbove(int $priority): bool
    {
        return Work::query()
            ->where('priority', '>', $priority)
            ->where(
                fn (Builder $query): Builder => $query
                    ->where(fn (Builder $inHand): Builder => $inHand->whereIn('state', WorkState::inHand())->where('paused', false))
                    ->orWhere(
                        fn (Builder $waiting): Builder => $waiting
                            ->where(['state' => WorkState::Waiting, 'paused' => false])
                            ->where(Work::due(...))
                            ->where(
                                fn (Builder $wanted): Builder => $wanted
                                    ->whereNull('wanted_at')
                                    ->orWhere('wanted_at', '>', Work::now(-self::WAITED_FOR)),
                            ),
                    ),
            )
            ->exists();
    }

    /**
     * @param  list<int>|null  $only
     * @param  list<int>  $abandoned
     */
    private function next(Kind $kind, ?array $only, array $abandoned): ?Work
    {
        return Work::query()
            ->where('kind', $kind::declaration()->name)
            ->where(fn (Builder $query): Builder => $query
                ->where('state', WorkState::Waiting)
                ->orWhere(fn (Builder $lost): Builder => $lost->whereKey($abandoned)->where($this->isAbandoned(...))))
            ->where('paused', false)
            ->where(Work::due(...))
            ->when($only !== null, fn (Builder $query): Builder => $query->whereKey($only))
            ->orderByRaw('wanted_at is null')
            ->orderByDesc('wanted_at')
            ->orderBy('place')
            ->orderBy('id')
            ->first();
    }

    private function isMachineBusy(OncePerMachine $kind): bool
    {
        return Work::query()
            ->whereIn('kind', $kind->fills())
            ->whereIn('state', WorkState::inHand())
            ->where('lease_until', '>=', Work::now())
            ->get(['owner'])
            ->contains(fn (Work $work): bool => Owner::isHere((string) $work->owner));
    }

    /** Whether as many of a kind are in hand as may be; what is paused leaves its place to another. */
    private function isFull(string $kind, ?int $atOnce): bool
    {
        return $atOnce !== null && $atOnce <= Work::query()
            ->where(['kind' => $kind, 'paused' => false])
            ->whereIn('state', WorkState::inHand())
            ->where('lease_until', '>=', Work::now())
            ->count();
    }

    /** @return Builder<Work> in the order in which it will be taken in hand */
    private function waiting(string $kind): Builder
    {
        return Work::query()->where(['kind' => $kind, 'state' => WorkState::Waiting])->orderBy('place')->orderBy('id');
    }

    /** @param  Builder<Work>  $query */
    private function isFree(Builder $query): void
    {
        $query->where('state', WorkState::Waiting)->orWhere($this->isAbandoned(...));
    }

    /** @param  Builder<Work>  $query */
    private function isAbandoned(Builder $query): void
    {
        $query->whereIn('state', WorkState::inHand())->where('lease_until', '<', Work::now());
    }

    /** In one step, so that no two take the same: whoever comes second finds another owner, or none waiting. */
    private function take(Work $work, string $owner, ?int $atOnce): bool
    {
        $lost = $work->state === WorkState::Waiting ? 0 : 1;

        return Work::query()
            ->whereKey($work->id)
            ->where('state', $work->state)
            ->where('attempts', $work->attempts)
            ->where($this->isFree(...))
            // Counted in the same step: of two workers that both saw room for one, the second finds none.
            ->whereRaw(
                '? > (select count(*) from works as others where others.kind = ? and others.state in (?, ?) and others.paused = ? '.
                    'and others.lease_until >= ?)',
                [$atOnce ?? PHP_INT_MAX, $work->kind, ...WorkState::inHand(), false, Work::now()],
            )
            ->update([
                'state' => WorkState::Running,
                'owner' => $owner,
                'lease_until' => Work::now(self::lease()),
                'attempts' => $work->attempts + 1,
                'lost' => $work->lost + $lost,
                'percent' => 0,
                'frames' => 0,
                'speed' => null,
                'seconds_left' => null,
                'detail' => null,
                'error' => null,
                'not_before' => null,
                'started_at' => Work::now(),
            ]) === 1;
    }

    /** A lease can last a quarter of an hour while a file goes to the disk: one whose owner was ended is not waited for. */
    private function endLeasesOfTheGone(): void
    {
        $held = Work::query()->whereIn('state', WorkState::inHand())->where('lease_until', '>', Work::now())->get();
        foreach ($held as $work) {
            if (Owner::isGone((string) $work->owner)) {
                $this->owned($work)->update(['lease_until' => Work::now(-1)]);
            }
        }
    }

    /**
     * What may be taken over. A lease that ran out says so by this machine's clock, which may have been set, or differ from its owner's:
     * where the owner may be there, it is watched for a while whether it is renewed.
     *
     * @param  string  $owner  who asks; what it had in hand it has no more
     * @return list<int>
     */
    private function abandoned(string $owner): array
    {
        // Asked five times a second by every worker: a look takes no lock, a change does.
        $found = Work::query()->where($this->isAbandoned(...))->get(['id', 'owner', 'lease_until']);
        $now = Clock::seconds();
        $before = $this->ranOut;
        $this->ranOut = [];
        foreach ($found as $work) {
            $known = $before[$work->id] ?? null;
            $this->ranOut[$work->id] = $known !== null && $known[0] === $work->lease_until ? $known : [(string) $work->lease_until, $now];
        }

        return $found
            ->filter(fn (Work $work): bool => $work->owner === $owner
                || ! Owner::mayBeThere((string) $work->owner)
                || $now - $this->ranOut[$work->id][1] >= self::lease() / 2)
            ->pluck('id')->values()->all();
    }

    /**
     * Abandoned work that was asked to stop is stopped; what cost its owner's life too often is not tried again.
     *
     * @param  list<int>  $abandoned
     */
    private function giveUpLost(array $abandoned): void
    {
        if ($abandoned === []) {
            return;
        }
        Work::query()
            ->whereKey($abandoned)
            ->where($this->isAbandoned(...))
            ->where(['paused' => true, 'stop_asked' => false])
            ->update(['state' => WorkState::Waiting, 'owner' => null, 'lease_until' => null, 'seconds_left' => null]);
        $most = app(WorkSettings::class)->mostLost;
        $this->endAbandoned($abandoned, fn (Builder $query) => $query->where('stop_asked', true), ['state' => WorkState::Stopped]);
        $this->endAbandoned($abandoned, fn (Builder $query) => $query->where('lost', '>=', $most), [
            'state' => WorkState::Failed,
            'error' => 'This was begun '.($most + 1).' times, and each time the process that did it was ended from outside. '.
                'The machine may have too little memory for it; free some, then try again.',
        ]);
    }

    /**
     * @param  list<int>  $abandoned
     * @param  Closure(Builder<Work>): Builder<Work>  $which
     * @param  array<string, mixed>  $as
     */
    private function endAbandoned(array $abandoned, Closure $which, array $as): void
    {
        $over = ['owner' => null, 'lease_until' => null, 'seconds_left' => null, 'ended_at' => Work::now()];
        foreach ($which(Work::query()->whereKey($abandoned)->where($this->isAbandoned(...)))->get() as $work) {
            // Of several that look at once, one ends it.
            if (Work::query()->whereKey($work->id)->where($this->isAbandoned(...))->update($as + $over) === 1) {
                event(new WorkEnded($work->refresh()));
            }
        }
    }

    private function forgetStale(Kind $kind): void
    {
        $seconds = $kind::declaration()->staleAfter;
        $stale = Work::query()
            ->where(['kind' => $kind::declaration()->name, 'state' => WorkState::Waiting])
            ->where('wanted_at', '<', Work::now(-(int) $seconds));
        // A look takes no lock, a change does.
        if ($seconds !== null && $stale->exists()) {
            $stale->delete();
        }
    }

    /**
     * Only an owner changes it; one who lost it is left with what it knew, and cannot pass for the new one.
     *
     * @param  array<string, mixed>  $changes
     * @return bool false where it is someone else's by now
     */
    private function change(Work $work, array $changes): bool
    {
        $isOwned = $this->owned($work)->update($changes) === 1;
        $isOwned && $work->refresh();

        return $isOwned;
    }

    /** @return Builder<Work> */
    private function owned(Work $work): Builder
    {
        return Work::query()
            ->whereKey($work->id)
            ->where('owner', $work->owner)
            ->where('attempts', $work->attempts)
            ->whereIn('state', WorkState::inHand());
    }
}
