<?php

namespace App\Resources;

use App\Analysis\Analyser;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\WorkState;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** How far the analysis of a cut is, what it found, and what was derived (resources/schema/cut-analysis.json). */
final class AnalysisResource
{
    /** @return array<string, mixed> */
    public static function of(Cut $cut): array
    {
        $analysis = $cut->analysis;
        $space = Workspace::ofCut($cut->id);
        $made = $analysis?->work->state === WorkState::Done && is_file($space->proxy());
        $version = $made ? filemtime($space->proxy()) : 0;

        return [
            ...self::progress($analysis),
            'result' => $analysis?->result,
            'proxy' => $made ? "/api/cuts/{$cut->id}/proxy?v={$version}" : null,
            'strip' => $made && is_file($space->strip()) ? "/api/cuts/{$cut->id}/strip?v={$version}" : null,
            'pictures' => Analyser::pictures($cut->reading()),
        ];
    }

    /** @return array{state: string, percent: int, secondsLeftLabel: ?string, error: ?string} */
    private static function progress(?CutAnalysis $analysis): array
    {
        $work = $analysis?->work;
        $left = $work?->seconds_left;

        return [
            'state' => $work->state->value ?? 'none',
            'percent' => $work->percent ?? 0,
            'secondsLeftLabel' => $left === null ? null : (string) new Duration(new Fraction($left)),
            'error' => $work?->error,
        ];
    }
}
