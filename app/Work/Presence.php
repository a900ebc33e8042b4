<?php

namespace App\Work;

use App\Engine\Capabilities;
use App\Engine\Clock;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Who takes work in hand: each worker says every few seconds that it is there, while it works too. */
final class Presence
{
    /** Seconds between signs of life. */
    private const EVERY = 12;

    /** Seconds without one after which a worker is not there: longer than an idle one waits for a call. */
    private const MISSED = 75;

    /** Seconds after which it is forgotten. */
    private const FORGOTTEN = 3600;

    private float $said = -INF;

    /** @param  list<string>  $kinds */
    public function __construct(
        private readonly string $owner,
        private readonly array $kinds,
        private readonly Capabilities $capabilities,
    ) {
    }

    /** @param  string|null  $misses  a folder without which it takes nothing */
    public function say(?string $misses = null): void
    {
        $now = Clock::seconds();
        if ($now - $this->said < self::EVERY) {
            return;
        }
        if ($this->said === -INF) {
            PresentWorker::query()->where('seen_at', '<', Work::now(-self::FORGOTTEN))->delete();
        }
        $this->said = $now;
        PresentWorker::query()->updateOrCreate(['owner' => $this->owner], [
            'host' => Owner::machine(), 'kinds' => $this->kinds, 'cores' => SideBySide::cores(),
            'engine' => $this->capabilities->version(), 'misses' => $misses, 'seen_at' => Work::now(),
        ]);
    }

    public function leave(): void
    {
        PresentWorker::query()->whereKey($this->owner)->delete();
    }

    /** @return Collection<int, PresentWorker> */
    public static function all(): Collection
    {
        return PresentWorker::query()->where('seen_at', '>=', Work::now(-self::MISSED))->orderBy('host')->orderBy('created_at')->get();
    }

    /**
     * How many other machines would take this kind of work now: they have nothing of it in hand, and one more may be.
     *
     * @param  int|null  $atOnce  how many of it may be in hand
     */
    public static function idleElsewhere(string $kind, ?int $atOnce): int
    {
        $busy = Work::query()->where('kind', $kind)->whereIn('state', WorkState::inHand())->pluck('owner')
            ->map(fn (?string $owner): string => explode(':', (string) $owner)[0])->all();

        $idle = self::all()
            ->filter(fn (PresentWorker $worker): bool => in_array($kind, $worker->kinds, true) && $worker->misses === null)
            ->pluck('host')->unique()->diff([Owner::machine(), ...$busy])->count();

        return $atOnce === null ? $idle : max(0, min($idle, $atOnce - count($busy)));
    }

    /** Whether anyone makes files: estimates come when they come. */
    public static function isThere(): bool
    {
        // As rows: this is asked twice a second, and needs nothing else of a model.
        return DB::table('workers')->where('seen_at', '>=', Work::now(-self::MISSED))->pluck('kinds')
            ->contains(fn (string $kinds): bool => in_array(Run::WORK, json_decode($kinds, true), true))
            || DB::table('works')->whereIn('state', WorkState::inHand())->where('lease_until', '>', Work::now())->exists();
    }
}
