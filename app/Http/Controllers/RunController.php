<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Http\RequestRefused;
use App\Media\Drive;
use App\Models\CutAnalysis;
use App\Models\Dispatch;
use App\Models\QueuedRuns;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\ShownRuns;
use App\Models\Teaching;
use App\Models\TransitTest;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\MakeFile;
use App\Packing\Packer;
use App\Packing\Recall;
use App\Resources\AnalysisResource;
use App\Resources\DispatchResource;
use App\Resources\QueueResource;
use App\Resources\RunResource;
use App\Resources\TeachingResource;
use App\Resources\TransitResource;
use App\Work\Presence;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use OuterCrate\Units\Duration;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** @phpstan-import-type ShownRun from ShownRuns */
class RunController
{
    private const SHOWN = 200;

    /** Seconds after which what waits for its time is no part of what goes on. */
    private const SOON = 60.0;

    /** Seconds that answers reach back beyond the one before: what was being written meanwhile is told by the next one. */
    private const OVERLAP = 2.0;

    /**
     * What is under way in its order, then what is over, the latest first: as many of those as `latest` says, and `first` of what is
     * under way; of one `cut`, or of all. With `since`, only what changed since an earlier answer's `at`.
     */
    public function index(Request $request): JsonResponse
    {
        $at = Work::now(-self::OVERLAP);
        $cut = $request->integer('cut') ?: null;
        $queued = QueuedRuns::of($cut);
        $order = array_column($queued->all(), 'id');
        $since = $request->string('since')->value();
        $runs = $since === ''
            ? self::whole($request, $order, $cut)
            : ShownRuns::changed($since, 2 * self::SHOWN);
        $kinds = DB::table('works')->whereIn('state', WorkState::underWay())->where('kind', '<>', Run::WORK)
            ->distinct()->pluck('kind')->all();
        $analyses = self::underWay($kinds, CutAnalysis::WORK, fn () => CutAnalysis::query()->with('cut:id,name'), ['id', 'cut_id'])
            ->sortBy(fn (CutAnalysis $analysis): int => $analysis->work->state === WorkState::Running ? 0 : 1);
        $tests = self::underWay($kinds, TransitTest::WORK, fn () => TransitTest::query()->with('cut:id,name'), ['id', 'cut_id', 'card']);
        $teachings = self::underWay($kinds, Teaching::WORK, Teaching::query(...), ['id', 'host', 'asked']);
        $sent = ['id', 'cut_name', 'details', 'host_account_id'];
        $sendings = self::underWay($kinds, Dispatch::SENDS, Dispatch::query(...), $sent);

        // Not through response(), which makes what draws pages first.
        return new JsonResponse([
            'at' => $at,
            'order' => $order,
            'runs' => $runs->map(RunResource::of(...)),
            'analyses' => $analyses->values()->map(AnalysisResource::onBelt(...)),
            'tests' => collect([
                ...$tests->map(TransitResource::onBelt(...)),
                ...$teachings->map(TeachingResource::onBelt(...)),
                ...$sendings->map(DispatchResource::onBelt(...)),
            ])->sortByDesc('running')->values(),
            'worker' => Presence::isThere(),
            'queue' => QueueResource::of(
                $queued,
                (int) config('crate.work.at_once'),
                $request->has('first') ? max(0, $request->integer('first')) : null,
            ),
        ]);
    }

    public function stop(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->stop($run->work);

        return self::told($run);
    }

    public function pause(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->pause($run->work, true);

        return self::told($run);
    }

    public function goOn(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->pause($run->work, false);
        $run->update(['recalled' => false]);

        return self::told($run);
    }

    /** To its sheet, to be changed there; it keeps its place. */
    public function recall(Run $run, Recall $recall): JsonResponse
    {
        $recall->back($run);

        return self::told($run);
    }

    public function retry(Run $run, Packer $packer): JsonResponse
    {
        $packer->retry($run);

        return self::told($run);
    }

    public function again(Run $run, Packer $packer): JsonResponse
    {
        return response()->json(['run' => RunResource::of(ShownRuns::one($packer->again($run)->id))], 202);
    }

    /** Before another that waits, or behind all of them. */
    public function move(Request $request, Run $run, WorkQueue $queue): JsonResponse
    {
        $before = Payload::of($request, 'run-move-request')['before'];
        $other = $before === null ? null : Work::query()->where(['kind' => Run::WORK, 'subject' => $before])->value('id');
        $queue->move($run->work, $other) || throw RequestRefused::notPossible(
            'This no longer waits: it is being made, or over.',
            'Only what waits has an order.',
        );

        return self::told($run);
    }

    /** Takes runs that are over off the page, or puts them back there; their slips and files stay. */
    public function clear(Request $request): JsonResponse
    {
        ['runs' => $runs, 'cleared' => $cleared] = Payload::of($request, 'runs-clear-request');
        Run::over()->whereKey($runs)->update(['cleared_at' => $cleared ? now() : null]);
        // Of one that was stopped, what its passes had gathered; put back, it begins anew.
        $cleared && array_map(fn (int $run) => MakeFile::forget($run), Run::over()->whereKey($runs)->pluck('id')->all());

        return response()->json(['runs' => $runs]);
    }

    /** What was done for it, line by line; with `?text=1` as a file to keep. */
    public function log(Request $request, Run $run): JsonResponse|Response
    {
        $lines = RunLog::query()->where('run_id', $run->id)->orderBy('id')->get()->map(fn (RunLog $line): array => [
            'at' => $line->at, 'kind' => $line->kind, 'text' => $line->text, 'seconds' => $line->seconds,
        ]);
        if (! $request->boolean('text')) {
            return response()->json(['lines' => $lines]);
        }
        $text = $lines->map(fn (array $line): string => "{$line['at']}  {$line['text']}".
            ($line['seconds'] === null ? '' : sprintf('  (%.2f s)', $line['seconds']))."\n")->implode('');

        return response($text, 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"run-{$run->id}.log\"",
        ]);
    }

    private static function told(Run $run): JsonResponse
    {
        return response()->json(['run' => RunResource::of(ShownRuns::one($run->id))]);
    }

    /**
     * @param  list<int>  $order  of what is under way
     * @return Collection<int, ShownRun>
     */
    private static function whole(Request $request, array $order, ?int $cut): Collection
    {
        $latest = min(self::SHOWN, max(0, $request->integer('latest', self::SHOWN)));
        $wanted = $request->has('first') ? array_slice($order, 0, max(0, $request->integer('first'))) : $order;
        $places = array_flip($wanted);

        // One that ended between the two looks is told once.
        return ShownRuns::these($wanted)
            ->concat(ShownRuns::over($cut, $latest)->reject(fn (object $run): bool => isset($places[$run->id])));
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
        if ($run->work->state !== WorkState::Done || $run->gone_at !== null || ! Drive::holds($run->file) || ! is_file($run->file)) {
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
     * @param  list<string>  $kinds  of which there is anything under way: mostly none, and this is asked for twice a second
     * @param  callable(): Builder<T>  $query
     * @param  list<string>  $columns
     * @return Models<int, T>
     */
    private static function underWay(array $kinds, string $kind, callable $query, array $columns): Models
    {
        if (! in_array($kind, $kinds, true)) {
            return new Models;
        }

        // What is put off for long is no part of what goes on now.
        return $query()->whereHas('work', fn (Builder $work): Builder => $work->whereIn('state', WorkState::underWay())
            ->where(fn (Builder $soon): Builder => $soon->whereNull('not_before')->orWhere('not_before', '<=', Work::now(self::SOON))))
            ->with('work')->orderBy('id')->get($columns);
    }
}
