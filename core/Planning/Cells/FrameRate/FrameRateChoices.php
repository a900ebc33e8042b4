<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;

/** The usual frame rates, and how others become them. */
final class FrameRateChoices
{
    /** Exact → as people say it. */
    private const USUAL = [
        '24000/1001' => '23.976', '24' => '24', '25' => '25', '30000/1001' => '29.97',
        '30' => '30', '50' => '50', '60000/1001' => '59.94', '60' => '60',
    ];

    /** @return list<Choice> */
    public static function all(): array
    {
        $choices = [
            new Choice('Follow', 'The cut’s frame rate; lifted by whole multiples where a host asks', 'follow'),
            new Choice('At least 24 fps', '15 becomes 30, never 24', ['atLeast' => '24']),
            new Choice('At least 50 fps', '25 becomes 50; can reach a finer tier', ['atLeast' => '50']),
            new Choice('Half', 'Every other frame', ['halve' => true]),
        ];
        foreach (self::USUAL as $exact => $label) {
            $choices[] = new Choice("{$label} fps", 'Frames are repeated or dropped to reach it', ['exact' => (string) $exact]);
        }

        return $choices;
    }

    /** @return list<Part> */
    public static function parts(): array
    {
        return [
            Part::text('exact', 'Frames a second', '25, 29.97 or 30000/1001'),
            Part::options('source', 'The cut is', [
                'As its file says' => null,
                'Progressive' => 'progressive',
                'Top field first' => 'tff',
                'Bottom field first' => 'bff',
            ]),
            Part::options('by', 'New frames', [
                'Repeat' => ['repeat', 'Frames are repeated or dropped'],
                'Blend' => ['blend', 'Neighbours are mixed'],
                'Motion' => ['motion', 'Drawn along the motion; slow'],
            ]),
            Part::options('fields', 'Fields', [
                'By material' => null,
                'Interpolate' => ['interpolate', 'Keeps the lines'],
                'Blend' => ['blend', 'Averages noise'],
                'Keep' => ['keep', 'Stays interlaced'],
            ]),
        ];
    }
}
