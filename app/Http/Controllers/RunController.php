<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Media\Drive;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\ShownRuns;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Packing\Recall;
use App\Packing\Run\RunFolder;
use App\Resources\RunResource;
use App\Work\WorkQueue;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;
use OuterCrate\Units\Duration;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Actions on one run, its log and its file. */
class RunController
{
    #[Operation('run-answer')]
    public function stop(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->stop($run->work);

        return self::told($run);
    }

    #[Operation('run-answer')]
    public function pause(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->pause($run->work, true);

        return self::told($run);
    }

    #[Operation('run-answer')]
    public function goOn(Run $run, WorkQueue $queue): JsonResponse
    {
        $queue->pause($run->work, false);
        $run->update(['recalled' => false]);

        return self::told($run);
    }

    /** To its sheet, to be changed there; it keeps its place. */
    #[Operation('run-answer')]
    public function recall(Run $run, Recall $recall): JsonResponse
    {
        $recall->back($run);

        return self::told($run);
    }

    #[Operation('run-answer')]
    public function retry(Run $run, Packer $packer): JsonResponse
    {
        $packer->retry($run);

        return self::told($run);
    }

    #[Operation('run-answer', status: 202)]
    public function again(Run $run, Packer $packer): JsonResponse
    {
        return response()->json(['run' => RunResource::of(ShownRuns::one($packer->again($run)->id))], 202);
    }

    /** Before another that waits, or behind all of them. */
    #[Operation('run-answer', request: 'run-move-request')]
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
    #[Operation('runs-clear-answer', request: 'runs-clear-request')]
    public function clear(Request $request): JsonResponse
    {
        ['runs' => $runs, 'cleared' => $cleared] = Payload::of($request, 'runs-clear-request');
        Run::over()->whereKey($runs)->update(['cleared_at' => $cleared ? now() : null]);
        // Of one that was stopped, what its passes had gathered; put back, it begins anew.
        $cleared && array_map(fn (int $run) => RunFolder::forget($run), Run::over()->whereKey($runs)->pluck('id')->all());

        return response()->json(['runs' => $runs]);
    }

    /** What was done for it, line by line; with `?text=1` as a file to keep. */
    #[Operation('run-log', query: ['text'])]
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

    /** How long the file took to its host, which teaches the speed of the line; null takes that back. */
    #[Operation('packed-run', request: 'sent-request')]
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

    #[Operation(media: 'application/octet-stream')]
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
}
