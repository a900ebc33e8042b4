<?php

namespace App\Resources;

use App\Media\Drive;
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
        // Each is read and decoded anew whenever it is asked for.
        [$card, $work] = [$run->card, $run->work];
        [$state, $left] = [$work->state, $work->seconds_left];
        $isDone = $state === WorkState::Done;
        $isOver = $state->isOver();

        return [
            'id' => $run->id,
            'pack' => $run->pack,
            'cut' => $run->cut_id,
            'cutName' => $run->cut_name,
            'name' => $run->name,
            'role' => $card['role'],
            'preset' => $card['preset'],
            'state' => $state->value,
            'frames' => $work->frames,
            'framesTotal' => $card['frames'],
            'percent' => $work->percent,
            'speed' => $work->speed,
            'secondsLeft' => $left,
            'secondsLeftLabel' => $left === null ? null : (string) new Duration(new Fraction($left)),
            'expectedSeconds' => $card['seconds'],
            'error' => $work->error,
            'file' => mb_scrub(basename($run->file)),
            'path' => mb_scrub($run->file),
            'onDisk' => $isDone && Drive::holds($run->file),
            'isFolder' => $card['isFolder'],
            'stopAsked' => $work->stop_asked && ! $isOver,
            'endedAt' => $work->ended_at?->toIso8601ZuluString(),
            'bytesLabel' => $isDone ? $card['bytesLabel'] : null,
            'differences' => $isDone ? $card['differences'] : null,
            'paused' => $work->paused && ! $isOver,
            'place' => $work->place,
            'output' => $run->output,
            'cleared' => $run->cleared_at !== null,
            'recalled' => $run->recalled && ! $isOver,
            'pass' => self::pass($run),
            'soFarLabel' => self::bytes($run, 'bytes'),
            'toComeLabel' => self::bytes($run, 'toCome'),
            'startedAt' => $work->started_at?->toIso8601ZuluString(),
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
