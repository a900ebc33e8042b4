<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Tier;

/**
 * The tiers of a host with what was learnt. Borders that were known stay where the lessons agree with them, and so do renditions that no
 * lesson shows; where they do not agree, what was known gives way.
 */
final readonly class TaughtTiers
{
    /**
     * @param  non-empty-list<Tier>  $tiers
     * @param  list<int>  $places  of the learnt tiers among them
     * @param  bool  $bordersHold  that were known before
     */
    private function __construct(public array $tiers, public array $places, public bool $bordersHold)
    {
    }

    /**
     * @param  list<Lesson>  $lessons
     * @param  non-empty-list<LearntTier>  $learnt
     * @param  array<int, string>  $speeds  of each of them, one of Rung::SPEEDS
     */
    public static function of(?Recompression $before, array $lessons, array $learnt, array $speeds): self
    {
        $places = $before === null ? null : self::places($before, $lessons, $learnt);
        $tiers = $before === null || $places === null ? [] : $before->tiers;
        $bordersHold = $tiers !== [];
        foreach ($learnt as $i => $tier) {
            $place = $places[$i] ?? $i;
            $own = $tiers[$place] ?? null;
            $tiers[$place] = new Tier(
                $own->name ?? self::name($tier, $learnt, $i),
                $own->when ?? $tier->when,
                self::ladder($own, $tier, $speeds[$i] ?? 'medium'),
            );
        }

        return new self(array_values($tiers), $places ?? array_keys($learnt), $bordersHold);
    }

    /** A rendition of the tier that a learnt one became; null where it has none of those lines. */
    public function rung(int $learnt, int $shorterSide): ?Rung
    {
        foreach ($this->tiers[$this->places[$learnt] ?? 0]->ladder as $rung) {
            if ($rung->shorterSide === $shorterSide) {
                return $rung;
            }
        }

        return null;
    }

    /**
     * Which of the known tiers each learnt one is; null where the known borders put lessons together that were treated differently, or
     * part those that were treated alike.
     *
     * @param  list<Lesson>  $lessons
     * @param  list<LearntTier>  $learnt
     * @return list<int>|null
     */
    private static function places(Recompression $before, array $lessons, array $learnt): ?array
    {
        $places = [];
        foreach ($learnt as $tier) {
            $own = array_unique(array_map(
                static fn (int $at): int => (int) array_search($before->tierOf($lessons[$at]->upload), $before->tiers, true),
                $tier->lessons,
            ));
            if (count($own) !== 1) {
                return null;
            }
            $places[] = $own[array_key_first($own)];
        }

        return count(array_unique($places)) === count($places) ? $places : null;
    }

    /** @return non-empty-list<Rung> */
    private static function ladder(?Tier $before, LearntTier $learnt, string $speed): array
    {
        $rungs = [];
        foreach ($before->ladder ?? [] as $rung) {
            $rungs[$rung->shorterSide] = $rung;
        }
        foreach ($learnt->ladder as $rung) {
            $rungs[$rung->shorterSide] = $rung->rung($speed, $rungs[$rung->shorterSide] ?? null);
        }
        krsort($rungs);

        return array_values($rungs);
    }

    /** @param  list<LearntTier>  $learnt */
    private static function name(LearntTier $tier, array $learnt, int $at): string
    {
        $name = $tier->codecs();
        $others = array_filter($learnt, static fn (LearntTier $other): bool => $other->codecs() === $name);

        return count($others) === 1 ? $name : "{$name} ".($at + 1);
    }
}
