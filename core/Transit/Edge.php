<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/** Which candidates are worth their size. */
final class Edge
{
    /**
     * Candidates of which none that is as small leaves as much, from the smallest.
     *
     * @param  list<Outcome>  $outcomes
     * @return list<int> their places in the list
     */
    public static function of(array $outcomes): array
    {
        $order = array_keys($outcomes);
        $rank = static fn (int $i): array => [$outcomes[$i]->bytes, -$outcomes[$i]->decibels(), $i];
        usort($order, static fn (int $a, int $b): int => $rank($a) <=> $rank($b));
        $edge = [];
        $most = -INF;
        foreach ($order as $i) {
            if ($outcomes[$i]->decibels() > $most) {
                $edge[] = $i;
                $most = $outcomes[$i]->decibels();
            }
        }

        return $edge;
    }

    /**
     * The candidate of the edge past which twice the size gains less than a step; null where each one still gains it.
     *
     * @param  list<Outcome>  $outcomes
     * @param  float  $step  dB
     */
    public static function past(array $outcomes, float $step = Weights::STEP): ?int
    {
        $edge = self::of($outcomes);
        foreach ($edge as $at => $i) {
            $next = $edge[$at + 1] ?? null;
            if ($next === null) {
                return null;
            }
            $doublings = log(max(1, $outcomes[$next]->bytes) / max(1, $outcomes[$i]->bytes), 2);
            if ($doublings > 0 && ($outcomes[$next]->decibels() - $outcomes[$i]->decibels()) / $doublings < $step) {
                return $i;
            }
        }

        return null;
    }
}
