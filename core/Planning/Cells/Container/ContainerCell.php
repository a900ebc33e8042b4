<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Container;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Cells\Help;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Cells\Way;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\ContainerValue;
use OuterCrate\Reading\Reading;

/** What the streams are put into. */
final readonly class ContainerCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = ContainerValue::CELL;

    public function label(): string
    {
        return 'Container';
    }

    public function isOfPicture(): bool
    {
        return false;
    }

    public function decide(Draft $draft): void
    {
        (new DecideContainer)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return $reading->containerName;
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareContainer::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareContainer::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->container->words();
    }

    public function choices(Catalogue $catalogue): array
    {
        return ContainerChoices::all($catalogue);
    }

    public function ways(): array
    {
        return [new Way(['set'], ['as']), new Way(['as'], ['set', 'fastStart'])];
    }

    /** @return array<mixed> */
    public function fixed(Plan $plan): array
    {
        return ['set' => $plan->container->container->id(), 'fastStart' => $plan->container->fastStart];
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $value = $plan->container;

        return new Help(
            'The box that picture and sound travel in. It changes neither, and hardly the size; it decides who can open the file.',
            $value->container->name().($value->fastStart ? ', its index in front: a host can begin before all of it has arrived' : ''),
            'A player that does not know the box shows nothing at all.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): ContainerValue
    {
        return ContainerValue::fromArray($value, $catalogue);
    }

    public function ruleSchema(): array
    {
        return ContainerSchema::rule();
    }

    public function valueSchema(): array
    {
        return ContainerSchema::value();
    }
}
