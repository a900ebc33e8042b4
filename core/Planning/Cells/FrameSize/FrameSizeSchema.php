<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class FrameSizeSchema
{
    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::object([
            'follow' => Shape::words(['stored', 'displayed'], 'stored: the cut’s own pixels. displayed: square pixels, upright.'),
            'fit' => Shape::text(20, 'Inside these bounds, never enlarged.', orNull: true),
            'exact' => Shape::text(20, 'This frame, the picture fitted in.', orNull: true),
            'step' => Shape::integer(new Bounds(-1, 1), 'One of the usual sizes up (1) or down (−1).'),
            'shape' => Shape::words(['pad', 'crop', 'stretch'], 'With exact: what is done where the shapes differ; pad when absent.'),
            'display' => Shape::words(
                ['4:3', '16:9', 'nearest'],
                'With exact: the shape that the frame is shown at, as discs have it; square pixels when absent.',
            ),
            'projection' => Shape::words(
                ['equirectangular', 'none'],
                'What the file says of a 360 picture; as the cut when absent.',
                orNull: true,
            ),
            'bars' => Shape::words(['trim'], 'trim: black bars that were found in the cut are left out; kept when absent.', orNull: true),
        ]);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'exact' => Shape::text(),
            'width' => Shape::integer(),
            'height' => Shape::integer(),
            'pictureWidth' => Shape::integer(),
            'pictureHeight' => Shape::integer(),
            'shape' => Shape::words(
                ['pad', 'crop', 'stretch'],
                'What is done where the picture has another shape than the frame; null where it has the same.',
                orNull: true,
            ),
            'sampleAspect' => Shape::text(),
            'projection' => Shape::text(orNull: true),
            'bars' => Shape::text(about: 'trim: the cut’s black bars are left out.', orNull: true),
        ], [
            'scaled' => Shape::text(about: 'Size before edges are cut off; null where none are.', orNull: true),
            'window' => Shape::orNull(Shape::object(
                array_fill_keys(['left', 'top', 'width', 'height'], Shape::integer()),
                ['left', 'top', 'width', 'height'],
            )),
            'edge' => Shape::flag(),
        ]);
    }
}
