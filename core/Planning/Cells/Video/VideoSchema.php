<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Planning\Cells\Shape;
use OuterCrate\Planning\Values\VideoValue;

/** The shape of the rule and of the decided value. */
final class VideoSchema
{
    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(Shape::words(['host', 'none']), Shape::object([
            'as' => Shape::words(['host', 'none']),
            'codec' => Shape::text(40),
            'profile' => Shape::text(40),
            'effort' => Shape::words(VideoValue::EFFORTS),
            'level' => Shape::text(20, 'Fixed; null or absent for the lowest that holds.', orNull: true),
            'tune' => Shape::words(VideoValue::TUNES, orNull: true),
            'device' => Shape::words(['software', 'hardware'], 'hardware: the graphics chip, where one works; software otherwise.'),
        ]));
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'codec' => Shape::text(),
            'profile' => Shape::text(orNull: true),
            'level' => Shape::text(orNull: true),
            'effort' => Shape::text(),
            'tune' => Shape::text(orNull: true),
            'device' => Shape::text(),
        ], ['encoder' => Shape::text(about: 'The engine’s encoder in a graphics chip.', orNull: true)]);
    }
}
