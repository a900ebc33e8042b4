<?php

namespace App\Transit;

use OuterCrate\Transit\Gain;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\Recommendation;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;

/** The same result where other things count: nothing is encoded or measured again. */
final class Rejudged
{
    /**
     * @param  array<string, mixed>  $result  resources/schema/transit.json
     * @return array<string, mixed>
     */
    public static function with(array $result, Weights $weights): array
    {
        $shares = array_column($result['pieces'], 'share');
        $at = (int) array_search($result['screen'], array_column($result['candidates'][0]['after'], 'screen'), true);
        $outcomes = fn (int $screen): array => array_map(fn (array $candidate): Outcome => new Outcome(
            $candidate['name'],
            $candidate['upload']['bytes'],
            $candidate['upload']['seconds'],
            $candidate['upload']['sendSeconds'],
            array_map(fn (float|int $db): float => 1 - 10 ** (-$db / 10), $candidate['after'][$screen]['ssimDbPieces']),
            array_map(floatval(...), $shares),
            $result['sampled']['share'],
        ), $result['candidates']);
        $deciding = $outcomes($at);
        $recommended = Recommendation::of($deciding, new Screen($result['screen']), $weights);
        foreach (array_keys($result['candidates'][0]['after']) as $screen) {
            $own = $outcomes($screen);
            foreach (array_keys($result['candidates']) as $i) {
                $result['candidates'][$i]['after'][$screen]['margin'] = round(Gain::of($own[$i], $own[$recommended->index])->margin, 3);
            }
        }

        return [
            'weights' => get_object_vars($weights),
            'recommended' => [
                'name' => $deciding[$recommended->index]->name,
                'why' => $recommended->why,
                'equals' => array_map(fn (int $i): string => $deciding[$i]->name, $recommended->equals),
            ],
        ] + $result;
    }
}
