<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Reading\Reading;
use OutOfBoundsException;

/**
 * A row of the sheet. Everything about it lies in its folder: how its value is decided, what it is called, what can be chosen,
 * what a host asks of it, how a finished file is held against it. It is known through `Sheet\Cells` and nowhere else by name.
 */
interface Cell
{
    /** Its key in rules, plans and slips. */
    public function name(): string;

    /** What the row is called. */
    public function label(): string;

    /** Whether it tells of the picture: then it is not there in a file of sound alone. */
    public function isOfPicture(): bool;

    /**
     * Decides its value from its rule, the cut and the host; may look at what other cells decided, which are decided then.
     *
     * @throws PlanImpossible when the rule leads to no value
     */
    public function decide(Draft $draft): void;

    /** Changes its value where that depends on all the others. */
    public function settle(Draft $draft): void;

    /** What a host asks of this plan, in a few words; empty where it asks nothing. */
    public function asked(Asks $asks, Plan $plan): string;

    /** What the cut has, in the words of the sheet. */
    public function ofCut(Reading $reading, string $file): string;

    /** What a finished file has, in the same words. */
    public function ofMade(Made $made, Fields $planned): string;

    /**
     * In what a finished file is not what was planned.
     *
     * @param  Fields  $planned  its planned value
     * @return list<Difference>
     */
    public function differences(Fields $planned, Made $made): array;

    /** @return list<Choice> rules to choose from; empty where its editor has no list */
    public function choices(Catalogue $catalogue): array;

    /**
     * @param  bool  $hardware  a graphics chip can code here
     * @return list<Part> what can be said beside a choice
     */
    public function parts(bool $hardware): array;

    /** @return list<Way> named values of its rule that replace each other */
    public function ways(): array;

    /**
     * The rule that comes to the plan's own value for any cut: what the cut and the host decided is said outright, and what was
     * said beside it stays.
     *
     * @return array<mixed>|string|null null where nothing in it depends on a cut or a host
     */
    public function fixed(Plan $plan): array|string|null;

    /**
     * A value of a stored plan.
     *
     * @param  Fields  $value  as its toArray wrote it
     *
     * @throws MissingPart where a part is missing that it needs: then it is decided anew
     * @throws InvalidArgumentException where a part is out of range
     * @throws OutOfBoundsException where it names something that cannot be made here
     */
    public function stored(Fields $value, Catalogue $catalogue): Value;

    /** @return array<string, mixed> JSON Schema of its rule */
    public function ruleSchema(): array;

    /** @return array<string, mixed> JSON Schema of its decided value */
    public function valueSchema(): array;
}
