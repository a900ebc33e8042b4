<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use InvalidArgumentException;
use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Reading\CodecNames;

/** What a host does to some uploads, as lessons show it. */
final readonly class LearntTier
{
    /**
     * @param  list<Condition>  $when  any of them lets an upload in; empty for every upload
     * @param  list<int>  $lessons  places of the lessons that show it
     * @param  non-empty-list<LearntRung>  $ladder  the largest first
     */
    public function __construct(public array $when, public array $lessons, public array $ladder)
    {
    }

    /**
     * The ladder of lessons that were treated alike.
     *
     * @param  non-empty-array<int, Lesson>  $lessons  by their places
     * @param  list<Condition>  $when
     */
    public static function of(array $lessons, array $when): self
    {
        $seen = [];
        foreach ($lessons as $at => $lesson) {
            foreach ($lesson->renditions as $one) {
                // Of two files of the same lines the one with more bits is what a player gets.
                $other = $seen[$one->lines()][$at] ?? null;
                if ($other === null || $one->average->bitsPerSecond > $other->average->bitsPerSecond) {
                    $seen[$one->lines()][$at] = $one;
                }
            }
        }
        krsort($seen);
        $ladder = [];
        foreach ($seen as $lines => $those) {
            $ladder[] = new LearntRung($lines, $those);
        }

        return new self($when, array_keys($lessons), $ladder ?: throw new InvalidArgumentException('No file shows what the host makes.'));
    }

    /** The codecs of its ladder, in words. */
    public function codecs(): string
    {
        $names = array_map(static fn (LearntRung $rung): string => CodecNames::codec($rung->codec()), $this->ladder);

        return implode(' and ', array_unique($names));
    }
}
