<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Container;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cells\Choice;

/** The containers that can be made. */
final class ContainerChoices
{
    /** @return list<Choice> */
    public static function all(Catalogue $catalogue): array
    {
        $choices = [];
        foreach ($catalogue->containers() as $container) {
            $names = array_map(static fn (string $id): string => $catalogue->video($id)->name(), $container->videoCodecs());
            if ($container->hasFastStart()) {
                $choices[] = new Choice(
                    "{$container->name()} · fast start",
                    'Index first: a host can begin while it arrives',
                    ['set' => $container->id(), 'fastStart' => true],
                );
            }
            $choices[] = new Choice(
                $container->name(),
                $names === [] ? 'Audio alone' : implode(', ', $names),
                ['set' => $container->id(), 'fastStart' => false],
            );
        }

        return $choices;
    }
}
