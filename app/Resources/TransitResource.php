<?php

namespace App\Resources;

use App\Models\TransitTest;

/** A transit test as the API tells it (resources/schema/transit-test.json). */
final class TransitResource
{
    /** @return array<string, mixed> */
    public static function of(TransitTest $test): array
    {
        $work = $test->work;

        return [
            'id' => $test->id,
            'cut' => $test->cut_id,
            'host' => $test->host,
            'hostName' => $test->card['hostName'],
            'state' => $work->state->value,
            'percent' => $work->percent,
            'secondsLeft' => $work->seconds_left,
            'stopAsked' => $work->stop_asked,
            'error' => $work->error,
            'askedAt' => $test->created_at->toIso8601String(),
            'screens' => $test->card['screens'],
            'output' => $test->card['output'],
            'candidates' => array_map(
                fn (array $candidate): array => ['edits' => (object) $candidate['edits']] + $candidate,
                $test->card['candidates'],
            ),
            'result' => $test->result,
        ];
    }

    /** @return array<string, mixed> for a list */
    public static function line(TransitTest $test): array
    {
        return [
            'id' => $test->id,
            'hostName' => $test->card['hostName'],
            'state' => $test->work->state->value,
            'askedAt' => $test->created_at->toIso8601String(),
            'candidates' => count($test->card['candidates']),
        ];
    }
}
