<?php

namespace App\Resources;

use App\Models\CutAnalysis;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
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
        $subjects = fn (string $kind): Listed => $inHand->flatten()->where('kind', $kind)->pluck('subject');
        $names = [
            Run::WORK => Run::query()->whereKey($subjects(Run::WORK))->pluck('name', 'id')->all(),
            CutAnalysis::WORK => CutAnalysis::query()->with('cut:id,name')->whereKey($subjects(CutAnalysis::WORK))->get(['id', 'cut_id'])
                ->mapWithKeys(fn (CutAnalysis $analysis): array => [$analysis->id => "{$analysis->cut->name} analysis"])->all(),
        ];

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
