<?php

namespace App\Resources;

use App\Models\Teaching;

/** A teaching as the API tells it (resources/schema/teaching.json). */
final class TeachingResource
{
    /** @return array<string, mixed> */
    public static function of(Teaching $teaching): array
    {
        $work = $teaching->work;
        $result = $teaching->result;

        return [
            'id' => $teaching->id,
            'host' => $teaching->host,
            'hostName' => $teaching->asked['hostName'],
            'state' => $work->state->value,
            'percent' => $work->percent,
            'secondsLeft' => $work->seconds_left,
            'stopAsked' => $work->stop_asked,
            'error' => $work->error,
            'askedAt' => $teaching->created_at->toIso8601String(),
            'lessons' => array_map(
                fn (array $paths): array => array_map(fn (string $path): string => mb_scrub($path), $paths),
                $teaching->asked['lessons'],
            ),
            'savedAs' => $teaching->saved_as,
            'result' => $result,
        ];
    }

    /** @return array<string, mixed> for a list */
    public static function line(Teaching $teaching): array
    {
        return [
            'id' => $teaching->id,
            'state' => $teaching->work->state->value,
            'askedAt' => $teaching->created_at->toIso8601String(),
            'lessons' => count($teaching->asked['lessons']),
            'savedAs' => $teaching->saved_as,
        ];
    }
}
