<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Planning\Cells\Shape;
use OuterCrate\Planning\Values\FieldMethod;
use OuterCrate\Planning\Values\FrameRateMethod;

/** The shape of the rule and of the decided value. */
final class FrameRateSchema
{
    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(Shape::words(['follow']), Shape::object([
            'as' => Shape::words(['follow']),
            'exact' => Shape::text(20, '25, 30000/1001, 29.97', orNull: true),
            'atLeast' => Shape::text(20, 'Lifted by whole multiples until it is reached.'),
            'halve' => Shape::flag(),
            'by' => Shape::words(array_column(FrameRateMethod::cases(), 'value'), 'How frames of one rate become those of another.'),
            'fields' => Shape::words(
                ['keep', ...array_column(FieldMethod::cases(), 'value')],
                'How fields become frames; by the material when absent.',
                orNull: true,
            ),
            'source' => Shape::words(
                array_column(Scan::cases(), 'value'),
                'What the cut’s frames are, where its file says otherwise.',
                orNull: true,
            ),
        ]));
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'exact' => Shape::text(),
            'rate' => Shape::text(),
            'scan' => Shape::words(array_column(Scan::cases(), 'value')),
            'deinterlace' => Shape::flag(),
            'fields' => Shape::text(orNull: true),
            'source' => Shape::text(),
            'convert' => Shape::flag(),
            'by' => Shape::text(),
        ]);
    }
}
