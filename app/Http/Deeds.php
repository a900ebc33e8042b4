<?php

namespace App\Http;

use App\Models\Cut;
use App\Models\Dispatch;
use App\Models\Run;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;

/** What the activity log calls the requests that change something. A test holds the list to the routes. */
final class Deeds
{
    /** Computing an answer, chunks of an upload that is named when it begins, and what a page writes without anybody asking. */
    private const UNTOLD = [
        'POST api/plan', 'POST api/cuts/{cut}/sheet/wanted', 'POST api/library/host/table', 'POST api/dispatches/check',
        'POST api/retention/preview', 'PATCH api/uploads/{id}', 'POST api/sign-in', 'POST api/sign-out',
    ];

    private const TOLD = [
        'PUT api/machine' => 'Set the upload speed',
        'PUT api/settings' => 'Changed settings',
        'POST api/cuts' => 'Brought in a cut',
        'DELETE api/cuts/{cut}' => 'Took a cut off the shelf',
        'POST api/cuts/{cut}/take-back' => 'Put a cut back on the shelf',
        'POST api/cuts/{cut}/locate' => 'Located the file of a cut',
        'POST api/cuts/{cut}/read-again' => 'Read a cut again',
        'POST api/cuts/{cut}/analysis' => 'Analysed a cut',
        'PUT api/cuts/{cut}/sheet' => 'Changed a sheet',
        'PUT api/cuts/{cut}/pieces' => 'Changed the pieces of a cut',
        'POST api/uploads' => 'Began an upload from a computer',
        'DELETE api/uploads/{id}' => 'Ended an upload from a computer',
        'POST api/cuts/{cut}/pack' => 'Packed a cut',
        'POST api/packs' => 'Packed several sheets',
        'POST api/packs/{pack}/hash-list' => 'Wrote a hash list',
        'POST api/store/clear' => 'Cleared files away',
        'POST api/store/take-back' => 'Put cleared files back',
        'POST api/store/empty' => 'Deleted cleared files for good',
        'POST api/store/derived/{what}' => 'Cleared a cache',
        'POST api/watch-folders' => 'Set up a watch folder',
        'DELETE api/watch-folders/{folder}' => 'Removed a watch folder',
        'POST api/cuts/{cut}/tests' => 'Started a transit test',
        'POST api/tests/{test}/stop' => 'Stopped a transit test',
        'POST api/runs/clear' => 'Cleared finished runs',
        'POST api/runs/{run}/stop' => 'Stopped a run',
        'POST api/runs/{run}/pause' => 'Paused a run',
        'POST api/runs/{run}/continue' => 'Resumed a run',
        'POST api/runs/{run}/retry' => 'Retried a run',
        'POST api/runs/{run}/recall' => 'Put a run back on its sheet',
        'POST api/runs/{run}/again' => 'Requeued a run',
        'PUT api/runs/{run}/place' => 'Moved a run in the queue',
        'PUT api/runs/{run}/sent' => 'Entered an upload time',
        'POST api/dispatches' => 'Sent a file to its host',
        'PUT api/dispatches/{dispatch}/details' => 'Changed the details of a video',
        'POST api/dispatches/{dispatch}/templates' => 'Saved details as a template',
        'POST api/dispatches/{dispatch}/fill/{template}' => 'Filled details from a template',
        'PUT api/dispatches/{dispatch}/captions' => 'Added captions to a video',
        'DELETE api/dispatches/{dispatch}/captions/{language}' => 'Removed captions from a video',
        'PUT api/dispatches/{dispatch}/thumbnail' => 'Chose a thumbnail',
        'PUT api/dispatches/{dispatch}/picture' => 'Uploaded a thumbnail',
        'PUT api/dispatches/{dispatch}/release' => 'Changed the release of a video',
        'POST api/dispatches/{dispatch}/stop' => 'Stopped sending',
        'POST api/dispatches/{dispatch}/pause' => 'Paused sending',
        'POST api/dispatches/{dispatch}/continue' => 'Resumed sending',
        'PUT api/dispatches/{dispatch}/place' => 'Moved a file in the sending order',
        'POST api/dispatches/{dispatch}/look' => 'Checked a video at its host',
        'POST api/dispatches/{dispatch}/bring-back' => 'Downloaded the versions of a host',
        'DELETE api/dispatches/{dispatch}' => 'Removed a video from its host',
        'POST api/host-accounts' => 'Signed in at a host',
        'DELETE api/host-accounts/{account}/token' => 'Signed out at a host',
        'DELETE api/host-accounts/{account}' => 'Forgot an account at a host',
        'PUT api/host-accounts/{account}/terms' => 'Accepted the terms of a host',
        'POST api/hosts/{host}/teachings' => 'Started to teach a host',
        'POST api/teachings/{teaching}/stop' => 'Stopped teaching a host',
        'POST api/teachings/{teaching}/save' => 'Saved what a host was taught',
        'POST api/library/preset' => 'Saved a new preset',
        'PUT api/library/preset/{preset}' => 'Changed a preset',
        'PUT api/library/defaults' => 'Changed a default preset',
        'POST api/library/host' => 'Saved a new host',
        'PUT api/library/host/{host}' => 'Changed a host',
        'POST api/library/import' => 'Imported presets or hosts',
        'DELETE api/library/{kind}/{slug}' => 'Removed a preset or host',
        'POST api/library/{kind}/{slug}/restore' => 'Restored a preset or host',
        'PUT api/library/{kind}/{slug}/favourite' => 'Changed a favourite',
        'POST api/library/{kind}/{slug}/versions/{version}' => 'Went back to an earlier version',
    ];

    /** Null where it is not told. */
    public static function of(string $method, string $uri): ?string
    {
        return self::TOLD["{$method} {$uri}"] ?? null;
    }

    /** @return list<string> method and address of every request that this list knows */
    public static function known(): array
    {
        return [...self::UNTOLD, ...array_keys(self::TOLD)];
    }

    /** The name of what it was done to, as far as the address says. */
    public static function subject(Request $request, Route $route): string
    {
        foreach (array_reverse($route->parameters()) as $name => $value) {
            $words = match (true) {
                $value instanceof Cut => $value->name,
                $value instanceof Run => basename((string) $value->getRawOriginal('file')),
                $value instanceof Dispatch => 'dispatch '.$value->id,
                $value instanceof Model => "{$name} {$value->getKey()}",
                default => (string) $value,
            };
            if ($words !== '') {
                return $words;
            }
        }
        $path = json_decode(substr($request->getContent(), 0, 65_536), true)['path'] ?? null;

        return is_string($path) ? basename($path) : '';
    }
}
