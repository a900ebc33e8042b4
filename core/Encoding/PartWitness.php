<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Encoding\Commands\Witness;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/**
 * What the passes over parts saw of the cut (Witness), as one pass over the whole would have seen it: of each part the frames that are its
 * own, without those before them that its decoder began with, at the times that they have in the whole.
 */
final readonly class PartWitness
{
    public function __construct(private Plan $whole, private Reading $reading)
    {
    }

    /**
     * @param  FrameRange  $part  frames of the cut
     * @param  iterable<string>  $lines  of its file of times
     * @return array{first: int, times: list<float>} number of the first picture that is its own, and the times of these in the whole
     */
    public function of(FrameRange $part, iterable $lines): array
    {
        $rate = $this->whole->frameRate->rate;
        $starts = (new Excerpt($this->reading, $part))->starts()->toFloat();
        $half = $rate->secondsOf(1)->toFloat() / 2;
        $ends = $starts + $rate->secondsOf($part->count())->toFloat();
        $place = (new Excerpt($this->reading, $this->whole->range))->starts()->toFloat()
            + $rate->secondsOf($part->first - $this->whole->range->first)->toFloat();
        [$number, $first, $times] = [0, 0, []];
        foreach ($lines as $line) {
            if (preg_match('~pts_time:(-?[\d.]+)~', $line, $match) !== 1) {
                continue;
            }
            $time = (float) $match[1];
            if ($time >= $starts - $half && $time < $ends - $half) {
                $first = $times === [] ? $number : $first;
                $times[] = $time - $starts + $place;
            }
            $number++;
        }

        return ['first' => $first, 'times' => $times];
    }
}
