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
            'hostName' => $test->asked['host']['name'],
            'state' => $work->state->value,
            'percent' => $work->percent,
            'secondsLeft' => $work->seconds_left,
            'stopAsked' => $work->stop_asked,
            'error' => $work->error,
            'askedAt' => $test->created_at->toIso8601String(),
            'screens' => $test->asked['screens'],
            'output' => $test->asked['output'] ?? null,
            'candidates' => array_map(function (array $candidate): array {
                $spec = $candidate['plan']['spec'];

                return [
                    'name' => $candidate['name'],
                    'preset' => $spec['preset']['slug'],
                    'host' => $spec['host']['slug'] ?? null,
                    'version' => $spec['preset']['version'],
                    'edits' => (object) $spec['edits']['rules'],
                ];
            }, $test->asked['candidates']),
            'result' => $test->result,
        ];
    }

    /** @return array<string, mixed> for a list */
    public static function line(TransitTest $test): array
    {
        return [
            'id' => $test->id,
            'hostName' => $test->asked['host']['name'],
            'state' => $test->work->state->value,
            'askedAt' => $test->created_at->toIso8601String(),
            'candidates' => count($test->asked['candidates']),
        ];
    }
}
