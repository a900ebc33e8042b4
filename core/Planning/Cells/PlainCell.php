<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Plan;

/** What most cells have in common: they tell of the picture, depend on nothing that comes after them, and are asked nothing. */
trait PlainCell
{
    public function name(): string
    {
        return self::NAME;
    }

    public function isOfPicture(): bool
    {
        return true;
    }

    public function settle(Draft $draft): void
    {
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return '';
    }

    public function choices(Catalogue $catalogue): array
    {
        return [];
    }

    public function parts(bool $hardware): array
    {
        return [];
    }

    public function ways(): array
    {
        return [];
    }

    /** @return array<mixed>|string|null */
    public function fixed(Plan $plan): array|string|null
    {
        return null;
    }
}
