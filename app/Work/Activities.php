<?php

namespace App\Work;

use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** Work under way besides making files: analyses, tests, lessons, sendings (resources/schema/strip-activity.json). */
final readonly class Activities
{
    /** Seconds. Work that starts later than this is left out. */
    private const MAX_WAIT = 60.0;

    /** More than any window can show. */
    private const LIMIT = 24;

    public function __construct(private Container $container)
    {
    }

    /** @return list<array<string, mixed>> running first, then by priority and place */
    public function list(): array
    {
        // Usually there is none, and the declarations need not be loaded.
        if (! DB::table('works')->whereIn('state', WorkState::underWay())->where('kind', '<>', Run::WORK)->exists()) {
            return [];
        }
        $kinds = $this->container->make(Kinds::class);
        $works = DB::table('works')
            ->whereIn('state', WorkState::underWay())
            ->whereIn('kind', $kinds->inStrip())
            ->where(fn (Builder $soon): Builder => $soon->whereNull('not_before')->orWhere('not_before', '<=', Work::now(self::MAX_WAIT)))
            ->orderByRaw("case when state = 'waiting' or paused then 1 else 0 end")
            ->orderByDesc('priority')->orderBy('place')->orderBy('id')
            ->limit(self::LIMIT)
            ->get(['kind', 'subject', 'state', 'paused', 'percent', 'seconds_left']);
        $named = $works->groupBy('kind')->map(
            fn (Collection $ofKind, string $kind): array => $kinds->activities($kind, $ofKind->pluck('subject')->all()),
        );
        $list = [];
        foreach ($works as $work) {
            if (isset($named[$work->kind][$work->subject])) {
                $list[] = self::described($named[$work->kind][$work->subject], $work);
            }
        }

        return $list;
    }

    /**
     * @param  object{kind: string, state: string, paused: bool|int, percent: int, seconds_left: ?int}  $work
     * @return array<string, mixed>
     */
    private static function described(Activity $activity, object $work): array
    {
        $left = $work->seconds_left;

        return [
            'kind' => $work->kind,
            'name' => $activity->name,
            'what' => $activity->what,
            'page' => $activity->page,
            'running' => $work->state === WorkState::Running->value && ! $work->paused,
            'percent' => $work->percent,
            'secondsLeftLabel' => $left === null ? null : (string) new Duration(new Fraction($left)),
        ];
    }
}
