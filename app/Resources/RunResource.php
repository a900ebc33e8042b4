<?php

namespace App\Resources;

use App\Models\Run;
use App\Models\WorkState;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
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
            'role' => $run->card['role'],
            'preset' => $run->card['preset'],
            'state' => $run->work->state->value,
            'frames' => $run->work->frames,
            'framesTotal' => $run->card['frames'],
            'percent' => $run->work->percent,
            'speed' => $run->work->speed,
            'secondsLeft' => $run->work->seconds_left,
            'secondsLeftLabel' => $run->work->seconds_left === null ? null : (string) new Duration(new Fraction($run->work->seconds_left)),
            'expectedSeconds' => $run->card['seconds'],
            'error' => $run->work->error,
            'file' => mb_scrub(basename($run->file)),
            'path' => mb_scrub($run->file),
            'onDisk' => $run->work->state === WorkState::Done && file_exists($run->file),
            'isFolder' => $run->card['isFolder'],
            'stopAsked' => $run->work->stop_asked && ! $run->work->state->isOver(),
            'endedAt' => $run->work->ended_at?->toIso8601ZuluString(),
            'bytesLabel' => $run->work->state === WorkState::Done ? $run->card['bytesLabel'] : null,
            'differences' => $run->work->state === WorkState::Done ? $run->card['differences'] : null,
            'paused' => $run->work->paused && ! $run->work->state->isOver(),
            'place' => $run->work->place,
            'output' => $run->output,
            'cleared' => $run->cleared_at !== null,
            'recalled' => $run->recalled && ! $run->work->state->isOver(),
            'pass' => self::pass($run),
            'soFarLabel' => self::bytes($run, 'bytes'),
            'toComeLabel' => self::bytes($run, 'toCome'),
            'startedAt' => $run->work->started_at?->toIso8601ZuluString(),
        ];
    }

    private static function pass(Run $run): ?string
    {
        $detail = $run->work->state === WorkState::Running ? $run->work->detail : null;

        return $detail === null || $detail['passes'] < 2 ? null : "pass {$detail['pass']} of {$detail['passes']}";
    }

    private static function bytes(Run $run, string $which): ?string
    {
        $bytes = $run->work->state === WorkState::Running ? $run->work->detail[$which] ?? null : null;

        return $bytes === null || $bytes === 0 ? null : (string) new ByteCount($bytes);
    }

    /** @return array<string, mixed> with plan and slip */
    public static function whole(Run $run): array
    {
        $plan = $run->plan;
        unset($plan['speedKey']);
        $plan['edits'] = (object) $plan['edits'];
        $plan['asks'] = (object) ($plan['asks'] ?? []);
        $plan['rules'] = (object) ($plan['rules'] ?? []);

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
