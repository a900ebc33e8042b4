<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;

/** The usual frames, and how a picture of another shape lies in them. */
final class FrameSizeChoices
{
    private const SIZES = ['3840×2160', '2560×1440', '1920×1080', '1280×720', '854×480', '640×360'];

    private const CROPPED = ['1920×1080', '1080×1920', '1080×1080'];

    /** @return list<Choice> */
    public static function all(): array
    {
        $inside = static fn (string $size): Choice => new Choice(
            "Inside {$size}",
            'Keeps its shape; never enlarged',
            ['fit' => $size],
            'Inside bounds',
        );
        $disc = static fn (string $size): Choice => new Choice(
            "Disc {$size}",
            'Shown at 4:3 or 16:9, whichever is nearer',
            ['exact' => $size, 'display' => 'nearest'],
            'Discs',
        );
        $exactly = static fn (string $size): Choice => new Choice(
            "Exactly {$size}",
            'Scaled to fill; black where the shape differs',
            ['exact' => $size],
            'Exactly',
        );
        $cropped = static fn (string $size): Choice => new Choice(
            "Exactly {$size}, cropped",
            'Scaled to cover; edges cut off',
            ['exact' => $size, 'shape' => 'crop'],
            'Exactly, cropped',
        );

        return [
            new Choice('Follow, as displayed', 'The cut’s size in square pixels', ['follow' => 'displayed']),
            new Choice('Follow, as stored', 'The cut’s own pixels and their shape', ['follow' => 'stored']),
            new Choice('One size up', 'The next of the usual sizes; can reach a finer tier', ['step' => 1]),
            new Choice('One size down', 'The next smaller of the usual sizes', ['step' => -1]),
            ...array_map($inside, self::SIZES),
            ...array_map($exactly, [...self::SIZES, '1080×1920']),
            ...array_map($cropped, self::CROPPED),
            ...array_map($disc, ['720×576', '720×480']),
        ];
    }

    /** @return list<Part> */
    public static function parts(): array
    {
        return [
            Part::text('exact', 'Frame', 'Width×height; the picture is fitted in'),
            Part::options('shape', 'Shapes differ', [
                'Pad' => ['pad', 'Black around the picture'],
                'Crop' => ['crop', 'Edges are cut off'],
                'Stretch' => ['stretch', 'What is round no longer is'],
            ]),
            Part::options('projection', '360', ['As the cut' => null, 'Equirectangular' => 'equirectangular', 'Not 360' => 'none']),
            Part::options('bars', 'Black bars', [
                'Keep' => [null, 'What the cut has is shown'],
                'Leave out' => ['trim', 'Those that were found in the cut'],
            ]),
        ];
    }
}
