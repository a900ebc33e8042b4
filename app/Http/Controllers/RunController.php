<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Http\RequestRefused;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Models\Teaching;
use App\Models\TransitTest;
use App\Models\WorkState;
use App\Resources\AnalysisResource;
use App\Resources\RunResource;
use App\Resources\TeachingResource;
use App\Resources\TransitResource;
use App\Work\Presence;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use InvalidArgumentException;
use OuterCrate\Units\Duration;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

class RunController
{
    private const SHOWN = 200;

    /**
     * What is under way in its order, then what is over, the latest first: as many of those as `latest` says;
     * of one `cut`, or of all.
     */
    public function index(Request $request): JsonResponse
    {
        $latest = min(self::SHOWN, max(0, $request->integer('latest', self::SHOWN)));
        $columns = ['id', 'pack', 'cut_id', 'cut_name', 'name', 'file', 'card'];
        $cut = $request->integer('cut') ?: null;
        $whose = $cut === null ? [] : ['cut_id' => $cut];
        $underWay = Run::underWay()->where($whose)->orderBy('id')->get($columns);
        $over = Run::over()->where($whose)->orderByDesc('id')->limit($latest)->get($columns);
        $analyses = self::underWay(CutAnalysis::query()->with('cut:id,name'), ['id', 'cut_id'])
            ->sortBy(fn (CutAnalysis $analysis): int => $analysis->work->state === WorkState::Running ? 0 : 1);

        return response()->json([
            'runs' => $underWay->concat($over)->map(RunResource::of(...)),
            'analyses' => $analyses->values()->map(AnalysisResource::onBelt(...)),
            'tests' => [
                ...self::underWay(TransitTest::query()->with('cut:id,name'), ['id', 'cut_id', 'card'])->map(TransitResource::onBelt(...)),
                ...self::underWay(Teaching::query(), ['id', 'host', 'asked'])->map(TeachingResource::onBelt(...)),
            ],
            'worker' => Presence::isThere(),
        ]);
    }

    public function stop(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->stop($run->work);

        return response()->json(['run' => RunResource::of($run->refresh())]);
    }

    /** How long the file took to its host, which teaches the speed of the line; null takes that back. */
    public function sent(Request $request, Run $run): JsonResponse
    {
        $took = Payload::of($request, 'sent-request')['took'];
        if ($run->work->state !== WorkState::Done || ! isset($run->plan['host'])) {
            throw RequestRefused::notPossible(
                'Only a file that was made for a host is sent to one.',
                'Say it of an upload file that is done.',
            );
        }
        try {
            $seconds = $took === null ? null : Duration::parse($took)->seconds->round();
        } catch (InvalidArgumentException $e) {
            // It says itself what to do.
            throw RequestRefused::notPossible($e->getMessage(), '');
        }
        if ($seconds === 0) {
            throw RequestRefused::notPossible('No file is sent in no time.', 'Say how long it took, as 42:10 or 1:05:00.');
        }
        $run->update(['sent_seconds' => $seconds, 'sent_at' => $seconds === null ? null : now()]);

        return response()->json(RunResource::whole($run->refresh()));
    }

    public function file(Run $run): BinaryFileResponse
    {
        if ($run->work->state !== WorkState::Done || ! is_file($run->file)) {
            throw RequestRefused::notThere('The file is no longer there, or not yet.', 'Its slip says where it lay.');
        }
        $name = basename($run->file);

        return response()
            ->download($run->file, $name, ['Cache-Control' => 'private, no-store'], 'attachment')
            ->setContentDisposition('attachment', $name, preg_replace('~[^\x20-\x7E]|[%/\\\\]~', '_', mb_scrub($name)));
    }

    /**
     * What is under way of a kind of work, in the order in which it was asked for.
     *
     * @template T of Model
     *
     * @param  Builder<T>  $query
     * @param  list<string>  $columns
     * @return Collection<int, T>
     */
    private static function underWay(Builder $query, array $columns): Collection
    {
        return $query->whereHas('work', fn (Builder $work): Builder => $work->whereIn('state', WorkState::underWay()))
            ->with('work')->orderBy('id')->get($columns);
    }
}
