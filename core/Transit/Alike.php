<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/**
 * Puts places of a cut together that are alike, so that one of each group can stand for it: medoids by alternate assignment (Lloyd,
 * Least squares quantization in PCM, IEEE Transactions on Information Theory 28, 1982, over members in place of means).
 */
final class Alike
{
    /** Rounds after which it is good enough; it mostly ends by itself in five or six. */
    private const ROUNDS = 12;

    /**
     * @param  non-empty-list<non-empty-list<float>>  $places  in the order of the cut, each by how much of each thing it has, in like units
     * @param  list<int>  $fixed  places that stand for themselves and what is nearest to them
     * @param  int  $count  of groups beside those
     * @return array<int, non-empty-list<int>> by the place that stands for it: places, itself among them
     */
    public static function groups(array $places, array $fixed, int $count): array
    {
        $moving = self::far($places, $fixed, $count);
        $groups = self::around($places, [...$fixed, ...$moving]);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $next = [];
            foreach (array_diff(array_keys($groups), $fixed) as $centre) {
                $next[] = self::middle($places, $groups[$centre]);
            }
            $next = array_values(array_diff(array_unique($next), $fixed));
            sort($next);
            if ($next === $moving) {
                break;
            }
            $moving = $next;
            $groups = self::around($places, [...$fixed, ...$moving]);
        }
        ksort($groups);

        return $groups;
    }

    /**
     * Places to begin from: the middle one of all, then each time the one that is least like those there are (Gonzalez, Clustering to
     * Minimize the Maximum Intercluster Distance, Theoretical Computer Science 38, 1985).
     *
     * @param  non-empty-list<non-empty-list<float>>  $places
     * @param  list<int>  $fixed
     * @return list<int>
     */
    private static function far(array $places, array $fixed, int $count): array
    {
        $middle = self::middle($places, array_keys($places));
        $moving = in_array($middle, $fixed, true) ? [] : [$middle];
        $least = array_fill(0, count($places), INF);
        $near = static function (int $centre) use ($places, &$least): void {
            foreach ($places as $at => $place) {
                $least[$at] = min($least[$at], self::distance($place, $places[$centre]));
            }
        };
        array_map($near, [...$fixed, ...$moving]);
        while (count($moving) < min($count, count($places) - count($fixed)) && max($least) > 0) {
            $moving[] = $next = (int) array_search(max($least), $least, true);
            $near($next);
        }
        sort($moving);

        return $moving;
    }

    /**
     * @param  non-empty-list<non-empty-list<float>>  $places
     * @param  list<int>  $centres
     * @return array<int, non-empty-list<int>>
     */
    private static function around(array $places, array $centres): array
    {
        $groups = [];
        foreach ($places as $at => $place) {
            // A centre is of its own group, however alike another is.
            $nearest = in_array($at, $centres, true) ? $at : null;
            $least = INF;
            foreach ($nearest === null ? $centres : [] as $centre) {
                $distance = self::distance($place, $places[$centre]);
                if ($distance < $least) {
                    [$nearest, $least] = [$centre, $distance];
                }
            }
            $groups[$nearest ?? 0][] = $at;
        }

        return $groups;
    }

    /**
     * The member that lies nearest to the mean; of those that are alike, the one in the middle of the cut's order.
     *
     * @param  non-empty-list<non-empty-list<float>>  $places
     * @param  non-empty-list<int>  $members
     */
    private static function middle(array $places, array $members): int
    {
        $mean = [];
        foreach (array_keys($places[0]) as $dimension) {
            $mean[] = array_sum(array_map(static fn (int $at): float => $places[$at][$dimension], $members)) / count($members);
        }
        $between = $members[intdiv(count($members), 2)];
        $best = $members[0];
        $least = [INF, INF];
        foreach ($members as $at) {
            $off = [round(self::distance($places[$at], $mean), 9), abs($at - $between)];
            if ($off < $least) {
                [$best, $least] = [$at, $off];
            }
        }

        return $best;
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    private static function distance(array $one, array $other): float
    {
        $sum = 0.0;
        foreach ($one as $dimension => $value) {
            $sum += ($value - $other[$dimension]) ** 2;
        }

        return $sum;
    }
}
