<?php

namespace App\Transit;

use OuterCrate\Measures\OverTime;
use OuterCrate\Transit\Edge;
use OuterCrate\Transit\Gain;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\Recommendation;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;

/** A result with what follows from its figures for someone to whom these things count: nothing is encoded or measured for it. */
final class Judged
{
    /**
     * @param  array<string, mixed>  $result  resources/schema/transit.json, judged before or not
     * @return array<string, mixed>
     */
    public static function with(array $result, Weights $weights): array
    {
        $screens = array_column($result['candidates'][0]['after'], 'screen');
        $outcomes = array_map(fn (int $at): array => self::outcomes($result, $at), array_keys($screens));
        $deciding = $outcomes[(int) array_search($result['screen'], $screens, true)];
        $recommended = Recommendation::of($deciding, new Screen($result['screen']), $weights);
        $past = Edge::past($deciding);
        foreach ($outcomes as $at => $own) {
            foreach ($own as $i => $outcome) {
                $result['candidates'][$i]['after'][$at]['margin'] = round(Gain::of($outcome, $own[$recommended->index])->margin, 3);
            }
        }
        $names = fn (array $places): array => array_map(fn (int $i): string => $deciding[$i]->name, $places);

        return [
            'edge' => $names(Edge::of($deciding)),
            'past' => $past === null ? null : $deciding[$past]->name,
            'step' => Weights::STEP,
            'weights' => get_object_vars($weights),
            'recommended' => [
                'name' => $deciding[$recommended->index]->name,
                'why' => $recommended->why,
                'equals' => $names($recommended->equals),
            ],
        ] + $result;
    }

    /**
     * @param  array<string, mixed>  $result
     * @param  int  $at  place of the screen
     * @return non-empty-list<Outcome> of the candidates
     */
    private static function outcomes(array $result, int $at): array
    {
        $shares = array_map(floatval(...), array_column($result['pieces'], 'share'));

        return array_map(fn (array $candidate): Outcome => new Outcome(
            $candidate['name'],
            $candidate['upload']['bytes'],
            $candidate['upload']['seconds'],
            $candidate['upload']['sendSeconds'],
            array_map(OverTime::ofDecibels(...), $candidate['after'][$at]['ssimDbPieces']),
            $shares,
            $result['sampled']['share'],
        ), $result['candidates']);
    }
}
