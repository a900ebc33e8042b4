<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\File;

use OuterCrate\Naming\NameTemplate;
use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class FileSchema
{
    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::object([
            'template' => Shape::text(200, NameTemplate::listed(), orNull: true),
            'folder' => Shape::text(400, 'Below the folder for deliveries.', orNull: true),
        ]);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'name' => Shape::text(),
            'folder' => Shape::text(about: 'Below the folder for deliveries.'),
            'template' => Shape::text(),
            'version' => Shape::integer(),
        ], ['first' => Shape::text(about: 'Name of the first version.')]);
    }
}
