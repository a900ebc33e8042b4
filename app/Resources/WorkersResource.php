<?php

namespace App\Resources;

use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Activity;
use App\Work\Kinds;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Listed;

/** Who takes work in hand, and what each has there (resources/schema/worker-list.json). */
final class WorkersResource
{
    /**
     * @param  Collection<int, PresentWorker>  $workers
     * @return array<string, mixed>
     */
    public static function of(Collection $workers, Kinds $kinds): array
    {
        $inHand = Work::query()->whereIn('owner', $workers->pluck('owner'))->whereIn('state', WorkState::inHand())->get()->groupBy('owner');
        $names = [];
        foreach ($inHand->flatten()->groupBy('kind') as $kind => $works) {
            $subjects = $works->pluck('subject')->all();
            $names[$kind] = $kind === Run::WORK
                ? Run::query()->whereKey($subjects)->pluck('name', 'id')->all()
                : array_map(fn (Activity $one): string => "{$one->name} {$one->what}", $kinds->activities($kind, $subjects));
        }

        return ['workers' => $workers->map(fn (PresentWorker $worker): array => [
            'owner' => $worker->owner,
            'host' => $worker->host,
            'does' => $kinds->does(...$worker->kinds),
            'cores' => $worker->cores,
            'engine' => $worker->engine,
            'misses' => $worker->misses,
            'inHand' => self::inHand($inHand->get($worker->owner) ?? new Listed, $names, $kinds),
        ])->values()->all()];
    }

    /**
     * @param  Listed<int, Work>  $works
     * @param  array<string, array<int, string>>  $names  of what they are done for, by kind and id
     * @return list<array{text: string, percent: int}>
     */
    private static function inHand(Listed $works, array $names, Kinds $kinds): array
    {
        return array_values($works->map(fn (Work $work): array => [
            'text' => $names[$work->kind][$work->subject] ?? $kinds->does($work->kind),
            'percent' => $work->percent,
        ])->all());
    }
}
