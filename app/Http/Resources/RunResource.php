<?php

namespace App\Http\Resources;

use App\Models\Run;
use App\Models\RunState;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** A run as belt, queue and slips show it (resources/schema/run.json). */
final class RunResource
{
    /** @return array<string, mixed> */
    public static function of(Run $run): array
    {
        return [
            'id' => $run->id,
            'pack' => $run->pack,
            'cut' => $run->cut_id,
            'cutName' => $run->cut_name,
            'name' => $run->name,
            'role' => $run->plan['role'],
            'preset' => $run->plan['presetName'],
            'state' => $run->state->value,
            'frames' => $run->frames,
            'framesTotal' => $run->plan['frames'],
            'percent' => $run->percent,
            'speed' => $run->speed,
            'secondsLeft' => $run->seconds_left,
            'secondsLeftLabel' => $run->seconds_left === null ? null : (string) new Duration(new Fraction($run->seconds_left)),
            'expectedSeconds' => $run->plan['estimate']['seconds'],
            'error' => $run->error,
            'file' => mb_scrub(basename($run->file)),
            'path' => mb_scrub($run->file),
            'onDisk' => $run->state === RunState::Done && file_exists($run->file),
            'isFolder' => isset($run->plan['values']['container']['id']) && $run->plan['values']['container']['id'] === 'folder',
            'stopAsked' => $run->stop_asked && ! $run->state->isOver(),
            'endedAt' => $run->ended_at?->toIso8601ZuluString(),
            'bytesLabel' => $run->slip['bytesLabel'] ?? null,
            'differences' => $run->slip === null ? null : count($run->slip['differences']),
        ];
    }

    /** @return array<string, mixed> with plan and slip */
    public static function whole(Run $run): array
    {
        $plan = $run->plan;
        unset($plan['speedKey']);
        $plan['edits'] = (object) $plan['edits'];
        $plan['asks'] = (object) ($plan['asks'] ?? []);

        $slip = $run->slip;
        if (isset($slip['reading']['tags'])) {
            $slip['reading']['tags'] = (object) $slip['reading']['tags'];
        }

        $sent = $run->sent_seconds;

        return self::of($run) + ['plan' => $plan, 'slip' => $slip, 'sent' => $sent === null ? null : [
            'label' => (string) new Duration(new Fraction($sent)),
            'speedLabel' => (string) new Bitrate(intdiv(8 * (int) ($slip['bytes'] ?? 0), $sent)),
        ]];
    }
}
