<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Container;

use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class ContainerSchema
{
    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(Shape::words(['host']), Shape::object([
            'as' => Shape::words(['host']),
            'set' => Shape::text(40),
            'fastStart' => Shape::flag(),
        ]));
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value(['set' => Shape::text(), 'fastStart' => Shape::flag()]);
    }
}
