<?php

namespace App\Resources;

use App\Media\Drive;
use App\Models\Run;
use App\Models\ShownRuns;
use App\Models\Volumes;
use App\Models\WorkState;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/**
 * A run as strip, queue and slips show it (resources/schema/run.json).
 *
 * @phpstan-import-type ShownRun from ShownRuns
 */
final class RunResource
{
    /**
     * @param  ShownRun  $run
     * @return array<string, mixed>
     */
    public static function of(object $run): array
    {
        $card = json_decode($run->card, true);
        $state = WorkState::from($run->state);
        $left = $run->seconds_left;
        $isDone = $state === WorkState::Done;
        $isOver = $state->isOver();
        $detail = $state === WorkState::Running && $run->detail !== null ? json_decode($run->detail, true) : null;
        $path = Volumes::path($run->file);

        return [
            'id' => $run->id,
            'pack' => $run->pack,
            'cut' => $run->cut_id,
            'cutName' => $run->cut_name,
            'name' => $run->name,
            'role' => $card['role'],
            'preset' => $card['preset'],
            'state' => $state->value,
            'frames' => $run->frames,
            'framesTotal' => $card['frames'],
            'percent' => $run->percent,
            'speed' => $run->speed === null ? null : (float) $run->speed,
            'secondsLeft' => $left,
            'secondsLeftLabel' => $left === null ? null : (string) new Duration(new Fraction($left)),
            'expectedSeconds' => (float) $run->expected_seconds,
            'error' => $run->error,
            'file' => mb_scrub(basename($path)),
            'path' => mb_scrub($path),
            'onDisk' => $isDone && $run->gone_at === null && Drive::holds($path),
            'isFolder' => $card['isFolder'],
            'stopAsked' => $run->stop_asked && ! $isOver,
            'endedAt' => Moment::written($run->ended_at),
            'bytesLabel' => $isDone ? $card['bytesLabel'] : null,
            'differences' => $isDone ? $card['differences'] : null,
            'paused' => $run->paused && ! $isOver,
            'place' => $run->place,
            'output' => $run->output,
            'cleared' => $run->cleared_at !== null,
            'recalled' => $run->recalled && ! $isOver,
            'pass' => $detail === null || $detail['passes'] < 2 ? null : "pass {$detail['pass']} of {$detail['passes']}",
            'soFarLabel' => self::bytes($detail['bytes'] ?? 0),
            'toComeLabel' => self::bytes($detail['toCome'] ?? 0),
            'startedAt' => Moment::written($run->started_at),
        ];
    }

    private static function bytes(int $bytes): ?string
    {
        return $bytes === 0 ? null : (string) new ByteCount($bytes);
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

        return self::of(ShownRuns::one($run->id)) + ['plan' => $plan, 'slip' => $slip, 'sent' => $sent === null ? null : [
            'label' => (string) new Duration(new Fraction($sent)),
            'speedLabel' => (string) new Bitrate(intdiv(8 * (int) ($slip['bytes'] ?? 0), $sent)),
        ]];
    }
}
