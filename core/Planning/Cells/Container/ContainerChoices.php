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
        $choices = [new Choice('As the host asks', 'MP4 where it says nothing', 'host')];
        foreach ($catalogue->containers() as $container) {
            $names = array_map(static fn (string $id): string => $catalogue->video($id)->name(), $container->videoCodecs());
            if ($container->hasFastStart()) {
                $choices[] = new Choice(
                    "{$container->name()} · fast start",
                    'Index first: a host can begin while it arrives',
                    ['set' => $container->id(), 'fastStart' => true],
                    self::group($names),
                );
            }
            $choices[] = new Choice(
                $container->name(),
                $names === [] ? 'Audio alone' : implode(', ', $names),
                ['set' => $container->id(), 'fastStart' => false],
                self::group($names),
            );
        }

        return $choices;
    }

    /** @param  list<string>  $codecs  of video that it holds */
    private static function group(array $codecs): string
    {
        return $codecs === [] ? 'Audio alone' : 'Picture and audio';
    }
}
