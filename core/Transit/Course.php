<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\Measure;

/** What an analysis says of a cut, second by second, as far as it tells which parts are hard to send. */
final readonly class Course
{
    /**
     * Lists have an entry for each second of the cut, the last of which may be short.
     *
     * @param  int  $framesPerSecond  whole frames that a second is counted as
     * @param  list<float>  $effort  what there is to code: bytes of a small, fast pass at one quality over the whole cut
     * @param  list<float>  $movement  temporal information (ITU-T P.910)
     * @param  list<float>  $gradient  gentle gradient, weighed by how dark it is, 0 to 1
     * @param  list<float>  $grain  standard deviation on a scale to 255
     */
    public function __construct(
        public int $framesPerSecond,
        public array $effort,
        public array $movement,
        public array $gradient,
        public array $grain,
    ) {
    }

    /**
     * @param  list<int>  $bytes  of each frame in the small pass
     */
    public static function of(Facts $facts, array $bytes, int $framesPerSecond): self
    {
        $seconds = intdiv($facts->frames() + $framesPerSecond - 1, $framesPerSecond);
        [$effort, $movement, $gradient, $grain] = [[], [], [], []];
        for ($second = 0; $second < $seconds; $second++) {
            $from = $second * $framesPerSecond;
            $own = array_slice($bytes, $from, $framesPerSecond);
            $effort[] = (float) array_sum($own) / max(1, count($own));
            $movement[] = self::mean($facts->of(Measure::Temporal)->slice($from, $framesPerSecond));
            $luma = self::mean($facts->of(Measure::Mean)->slice($from, $framesPerSecond));
            $gradient[] = $facts->of(Measure::Gradient)->at($second) * max(0.0, 1 - $luma / 255);
            $grain[] = $facts->of(Measure::Grain)->at($second);
        }

        return new self($framesPerSecond, $effort, $movement, $gradient, $grain);
    }

    /** @param  list<float>  $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / max(1, count($values));
    }
}
