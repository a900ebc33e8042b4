<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Container;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;

/** The container of a finished file against the plan. */
final class CompareContainer
{
    public static function found(Made $made): string
    {
        return $made->reading->containerName.($made->reading->fastStart === true ? ' · fast start' : '');
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $found = $made->reading;
        if ($planned->text('set') !== $found->container) {
            return [new Difference(
                ContainerCell::NAME,
                $planned->text('label') ?? '',
                $found->containerName,
                "The container came out as {$found->containerName}.",
            )];
        }

        return $planned->bool('fastStart') === true && $found->fastStart !== true ? [new Difference(
            ContainerCell::NAME,
            'fast start',
            'index at the end',
            'The index lies at the end of the file, so a host cannot begin to read before all of it has arrived.',
        )] : [];
    }
}
