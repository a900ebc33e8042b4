<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Units\FrameRate;

/** Something about uploads that a host may go by when it chooses a tier: what tells those that got the better one from the rest. */
enum Divide: string
{
    case Lines = 'lines';
    case FrameRate = 'frame rate';
    case Range = 'dynamic range';

    /** Frames a second above which hosts speak of high frame rates. */
    private const HIGH = 30;

    /** Shorter sides that uploads usually have. */
    private const STEPS = [240, 360, 480, 720, 1080, 1440, 2160, 4320];

    /**
     * The condition that all of the rest fail; null where this tells none of them apart.
     *
     * @param  non-empty-list<Upload>  $better
     * @param  non-empty-list<Upload>  $rest
     */
    public function between(array $better, array $rest): ?Condition
    {
        return match ($this) {
            self::Lines => self::lines($better, $rest),
            self::FrameRate => self::frameRate($better, $rest),
            self::Range => self::range($better, $rest),
        };
    }

    /**
     * What is left open of such a border, as an upload that would tell; null for nothing.
     *
     * @param  non-empty-list<Upload>  $rest
     */
    public static function open(Condition $border, array $rest): ?string
    {
        if ($border->shorterSide === null) {
            return null;
        }
        $tallest = self::tallest($rest);
        $between = array_filter(self::STEPS, static fn (int $step): bool => $step > $tallest && $step < $border->shorterSide);

        return $between === [] ? null : sprintf(
            'The border lies above %d and up to %d lines: send the same cut at %d lines.',
            $tallest,
            $border->shorterSide,
            array_values($between)[intdiv(count($between), 2)],
        );
    }

    /**
     * @param  non-empty-list<Upload>  $better
     * @param  non-empty-list<Upload>  $rest
     */
    private static function lines(array $better, array $rest): ?Condition
    {
        $tallest = self::tallest($rest);
        $above = array_filter(
            array_map(static fn (Upload $upload): int => $upload->frame->shorterSide(), $better),
            static fn (int $lines): bool => $lines > $tallest,
        );

        return $above === [] ? null : new Condition(shorterSide: min($above));
    }

    /** @param  non-empty-list<Upload>  $uploads */
    private static function tallest(array $uploads): int
    {
        return max(array_map(static fn (Upload $upload): int => $upload->frame->shorterSide(), $uploads));
    }

    /**
     * @param  non-empty-list<Upload>  $better
     * @param  non-empty-list<Upload>  $rest
     */
    private static function frameRate(array $better, array $rest): ?Condition
    {
        $fastest = $rest[0]->frameRate;
        foreach ($rest as $upload) {
            $fastest = $upload->frameRate->isAbove($fastest) ? $upload->frameRate : $fastest;
        }
        $faster = array_values(array_filter($better, static fn (Upload $upload): bool => $upload->frameRate->isAbove($fastest)));
        if ($faster === []) {
            return null;
        }
        $high = FrameRate::of(self::HIGH);
        $all = array_filter($faster, static fn (Upload $upload): bool => $upload->frameRate->isAbove($high));

        return new Condition(frameRateAbove: ! $fastest->isAbove($high) && count($all) === count($faster) ? $high : $fastest);
    }

    /**
     * @param  non-empty-list<Upload>  $better
     * @param  non-empty-list<Upload>  $rest
     */
    private static function range(array $better, array $rest): ?Condition
    {
        foreach ([true, false] as $hdr) {
            $own = array_filter($better, static fn (Upload $upload): bool => $upload->hdr === $hdr);
            $others = array_filter($rest, static fn (Upload $upload): bool => $upload->hdr === $hdr);
            if ($own !== [] && $others === []) {
                return new Condition(hdr: $hdr);
            }
        }

        return null;
    }
}
