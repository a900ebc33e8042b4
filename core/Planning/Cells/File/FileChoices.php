<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\File;

use OuterCrate\Naming\NameTemplate;
use OuterCrate\Planning\Cells\Part;

/** What a name is made of. */
final class FileChoices
{
    /** @return list<Part> */
    public static function parts(): array
    {
        return [
            Part::text('template', 'Template', NameTemplate::listed()),
            Part::text('folder', 'Folder', 'Below the folder for deliveries'),
        ];
    }
}
