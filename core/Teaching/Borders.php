<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Upload;

/**
 * The tiers that lessons show, and the borders between them: uploads that were treated alike are of one tier, and what all of a tier
 * have and none of the rest is its border. What two lessons cannot tell apart is said, with the upload that would.
 */
final readonly class Borders
{
    /** Tiers whose order is looked for; no host has more. */
    private const MOST_ORDERED = 5;

    /**
     * @param  non-empty-list<LearntTier>  $tiers  the most demanding first; the last takes every upload
     * @param  list<string>  $next  uploads that would tell more, as sentences
     * @param  list<string>  $remarks  what does not fit
     */
    private function __construct(public array $tiers, public array $next, public array $remarks)
    {
    }

    /** @param  non-empty-list<Lesson>  $lessons */
    public static function of(array $lessons): self
    {
        $groups = self::inOrder(self::groups($lessons));
        $tiers = $next = $remarks = [];
        foreach ($groups as $at => $group) {
            $rest = array_merge(...array_slice($groups, $at + 1), ...[[]]);
            if ($rest === []) {
                $tiers[] = LearntTier::of($group, []);

                continue;
            }
            $when = self::border($group, $rest);
            if ($when === null) {
                $remarks[] = self::alike($group, $rest);

                continue;
            }
            $tiers[] = LearntTier::of($group, $when);
            array_push($next, ...self::open($group, $rest, $when));
        }
        if (count($groups) === 1) {
            $next[] = self::oneTreatment($lessons);
        }

        return new self($tiers ?: [LearntTier::of($lessons, [])], $next, $remarks);
    }

    /**
     * Lessons that were treated alike, those that ask for most first.
     *
     * @param  non-empty-list<Lesson>  $lessons
     * @return non-empty-list<non-empty-array<int, Lesson>> by their places
     */
    private static function groups(array $lessons): array
    {
        $groups = [];
        foreach ($lessons as $at => $lesson) {
            foreach ($groups as $i => $group) {
                if ($lesson->treatedAs($group[array_key_first($group)])) {
                    $groups[$i][$at] = $lesson;

                    continue 2;
                }
            }
            $groups[] = [$at => $lesson];
        }
        usort($groups, static fn (array $a, array $b): int => self::least($b) <=> self::least($a));

        return $groups;
    }

    /**
     * The first order in which every tier but the last has a border to those after it; as they are where there is none.
     *
     * @param  non-empty-list<non-empty-array<int, Lesson>>  $groups
     * @return non-empty-list<non-empty-array<int, Lesson>>
     */
    private static function inOrder(array $groups): array
    {
        return (count($groups) <= self::MOST_ORDERED ? self::ordered([], $groups) : null) ?? $groups;
    }

    /**
     * @param  list<non-empty-array<int, Lesson>>  $placed
     * @param  non-empty-list<non-empty-array<int, Lesson>>  $left
     * @return non-empty-list<non-empty-array<int, Lesson>>|null
     */
    private static function ordered(array $placed, array $left): ?array
    {
        if (count($left) === 1) {
            return [...$placed, $left[0]];
        }
        foreach ($left as $i => $group) {
            $others = $left;
            array_splice($others, $i, 1);
            $found = $others === [] || self::border($group, array_merge(...$others)) === null
                ? null
                : self::ordered([...$placed, $group], $others);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /**
     * What the least of some lessons asks of a host.
     *
     * @param  non-empty-array<Lesson>  $group
     * @return array{int, float, bool}
     */
    private static function least(array $group): array
    {
        return min(array_map(static fn (Lesson $lesson): array => [
            $lesson->upload->frame->shorterSide(), $lesson->upload->frameRate->perSecond->toFloat(), $lesson->upload->hdr,
        ], $group));
    }

    /**
     * @param  non-empty-array<Lesson>  $group
     * @param  non-empty-array<Lesson>  $rest
     * @return non-empty-list<Condition>|null null where nothing tells them apart
     */
    private static function border(array $group, array $rest): ?array
    {
        [$better, $others] = [self::uploads($group), self::uploads($rest)];
        $found = [];
        foreach (Divide::cases() as $divide) {
            $border = $divide->between($better, $others);
            if ($border === null) {
                continue;
            }
            if (self::explains([$border], $better)) {
                return [$border];
            }
            $found[] = $border;
        }

        return $found !== [] && self::explains($found, $better) ? $found : null;
    }

    /**
     * @param  non-empty-list<Condition>  $when
     * @param  non-empty-list<Upload>  $uploads
     */
    private static function explains(array $when, array $uploads): bool
    {
        foreach ($uploads as $upload) {
            if (array_filter($when, static fn (Condition $condition): bool => $condition->holds($upload)) === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  non-empty-array<Lesson>  $group
     * @param  non-empty-array<Lesson>  $rest
     * @param  non-empty-list<Condition>  $when
     * @return list<string>
     */
    private static function open(array $group, array $rest, array $when): array
    {
        [$better, $others] = [self::uploads($group), self::uploads($rest)];
        $open = array_map(static fn (Condition $condition): ?string => Divide::open($condition, $others), $when);
        foreach (count($when) === 1 ? Divide::cases() : [] as $divide) {
            $other = $divide->between($better, $others);
            if ($other !== null && $other != $when[0] && self::explains([$other], $better)) {
                $open[] = sprintf(
                    'Being %s may be what counts, and not %s: send an upload that is the one and not the other.',
                    $other->words(),
                    $when[0]->words(),
                );
            }
        }

        return array_values(array_filter($open, is_string(...)));
    }

    /** @param  non-empty-list<Lesson>  $lessons */
    private static function oneTreatment(array $lessons): string
    {
        $uploads = self::uploads($lessons);
        $tallest = max(array_map(static fn (Upload $upload): int => $upload->frame->shorterSide(), $uploads));

        return count($lessons) === 1
            ? "One upload shows one tier. To see whether taller ones get another, send the same cut one size above {$tallest} lines; ".
                'and once above 30 fps.'
            : "All uploads were treated alike, up to {$tallest} lines. To find a border, send the same cut taller, or above 30 fps.";
    }

    /**
     * @param  non-empty-array<Lesson>  $group
     * @param  non-empty-array<Lesson>  $rest
     */
    private static function alike(array $group, array $rest): string
    {
        return sprintf(
            '%s and %s were treated differently, and neither lines, frame rate nor dynamic range tells them apart: '.
                'the host goes by something that is not modelled here. Only the latter was learnt.',
            $group[array_key_first($group)]->name,
            $rest[array_key_first($rest)]->name,
        );
    }

    /**
     * @param  non-empty-array<Lesson>  $lessons
     * @return non-empty-list<Upload>
     */
    private static function uploads(array $lessons): array
    {
        return array_values(array_map(static fn (Lesson $lesson): Upload => $lesson->upload, $lessons));
    }
}
