<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Shape;
use OuterCrate\Planning\Values\ColourValue;

/** The shape of the rule and of the decided value. */
final class ColourSchema
{
    public const DEPTHS = [8, 10, 12, 16];

    public const CHROMAS = ['4:2:0', '4:2:2', '4:4:4'];

    /** Beyond it nothing is left of the picture’s own light. */
    public static function gamma(): Bounds
    {
        return new Bounds(0.5, 2, 0.01);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(Shape::words(['follow', 'host']), Shape::object([
            'as' => Shape::words(['follow', 'host']),
            'bitDepth' => ['type' => ['integer', 'null'], 'enum' => [...self::DEPTHS, null]],
            'chroma' => Shape::words(self::CHROMAS, orNull: true),
            'tag' => Shape::words(
                [...array_column(ColourSpace::cases(), 'value'), 'none'],
                'What the samples are taken for, without changing them; none leaves the file untagged.',
                orNull: true,
            ),
            'convert' => Shape::words(
                array_column(ColourSpace::cases(), 'value'),
                'Samples are computed anew for this space; HDR comes down to SDR.',
                orNull: true,
            ),
            'range' => Shape::words(['limited', 'full'], orNull: true),
            'gamma' => Shape::figure(self::gamma(), 'Middle tones are lifted above 1, lowered below.', orNull: true),
            'dither' => Shape::words(ColourValue::DITHERS),
            'hdr10' => Shape::words(['carry', 'measure', 'none'], 'HDR10 metadata.'),
        ]));
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'primaries' => Shape::text(orNull: true),
            'transfer' => Shape::text(orNull: true),
            'matrix' => Shape::text(orNull: true),
            'range' => Shape::text(),
            'bitDepth' => Shape::integer(),
            'chroma' => Shape::text(),
            'alpha' => Shape::flag(),
            'toneMap' => Shape::flag(),
            'converts' => Shape::flag(),
            'gamma' => Shape::number(),
            'dither' => Shape::text(),
            'tag' => Shape::text(orNull: true),
            'convert' => Shape::text(orNull: true),
            'hdr10' => Shape::text(),
            'mastering' => Shape::text(orNull: true),
            'light' => Shape::text(orNull: true),
        ], [
            'source' => Shape::object([
                'primaries' => Shape::text(orNull: true),
                'transfer' => Shape::text(orNull: true),
                'matrix' => Shape::text(orNull: true),
                'range' => Shape::text(),
            ], ['primaries', 'transfer', 'matrix', 'range']),
            'masteringDisplay' => ['type' => ['object', 'null'], 'additionalProperties' => Shape::text()],
            'contentLight' => Shape::orNull(
                Shape::object(['maxCll' => Shape::integer(), 'maxFall' => Shape::integer()], ['maxCll', 'maxFall']),
            ),
            'awaitsLight' => Shape::flag(),
        ]);
    }
}
