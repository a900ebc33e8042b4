<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Sheet;

use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Refusal;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\FrameRange;

/** Rules + reading + asks → plan. Always gives a plan; a rule that leads nowhere is refused, and decided without. */
final readonly class Planner
{
    /** More than a person and a preset can say wrongly, a host ask, and cells there are. */
    private const MOST_REFUSALS = 30;

    public function __construct(private Catalogue $catalogue, private Cells $cells)
    {
    }

    /**
     * @param  Subject  $subject  the cut, and what is known of the machine that will make the file
     * @param  array<string, Value>  $known  values by cell that were decided before; the others are decided by them
     *
     * @throws InvalidArgumentException when the cut has no picture, or nothing at all can be decided for it
     */
    public function plan(Subject $subject, OutputSpec $spec, array $known = []): Plan
    {
        $reading = $subject->reading;
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to plan for.');
        $whole = FrameRange::whole(max(1, $reading->length()));
        $range = $spec->range === null ? $whole : $whole->clamp($spec->range->first, $spec->range->last);
        $duration = $range->equals($whole) ? $reading->duration : $video->frameRate->secondsOf($range->count());
        $edits = $spec->edits;
        $rules = $this->cells->merge($spec->preset->rules, $edits);
        $said = $rules;
        $host = $spec->host;
        $refused = [];
        $dropped = [];
        while (true) {
            $draft = new Draft(
                cells: $this->cells,
                subject: $subject,
                reading: $reading,
                cutVideo: $video,
                preset: $spec->preset,
                host: $host,
                catalogue: $this->catalogue,
                rules: $rules,
                edits: $edits,
                range: $range,
                duration: $duration,
                piece: $spec->piece,
                known: $known,
            );
            try {
                [$values, $origins] = $draft->decided();
                break;
            } catch (PlanImpossible $e) {
                if (count($refused) > self::MOST_REFUSALS) {
                    throw new InvalidArgumentException(
                        "The preset {$spec->preset->name} does not work for this cut: {$e->getMessage()}",
                        0,
                        $e,
                    );
                }
                // Everything is decided again without the refused rule, so that the rest of the column stays useful: without what the
                // person said of the cell, then without what the preset says of it, then without what the host asks, and at last by
                // what is usual alone.
                $yours = $edits->has($e->cell);
                $refused[] = new Refusal($e->cell, $e->getMessage(), $yours);
                if ($yours) {
                    $edits = $edits->without($e->cell);
                    $rules = self::without($this->cells->merge($spec->preset->rules, $edits), $dropped);
                } elseif (! in_array($e->cell, $dropped, true)) {
                    $dropped[] = $e->cell;
                    $rules = $rules->without($e->cell);
                } elseif ($host !== null) {
                    $host = null;
                } else {
                    $rules = new Rules([]);
                }
            }
        }
        $rate = $draft->frameRate();

        return new Plan(
            spec: $spec,
            values: $values,
            origins: $origins,
            ofPicture: array_keys(array_filter($this->cells->all(), static fn (Cell $cell): bool => $cell->isOfPicture())),
            rules: $said,
            range: $range,
            frames: $rate->rate->equals($video->frameRate)
                ? $range->count()
                : max(1, $rate->rate->framesIn($video->frameRate->secondsOf($range->count()))),
            duration: $duration,
            refused: self::eachOnce($refused),
        );
    }

    /**
     * What was refused, once for each cell: the first is what the person or the preset said.
     *
     * @param  list<Refusal>  $refused
     * @return list<Refusal>
     */
    private static function eachOnce(array $refused): array
    {
        $byCell = [];
        foreach ($refused as $refusal) {
            $byCell[$refusal->cell] ??= $refusal;
        }

        return array_values($byCell);
    }

    /** @param  list<string>  $cells */
    private static function without(Rules $rules, array $cells): Rules
    {
        foreach ($cells as $cell) {
            $rules = $rules->without($cell);
        }

        return $rules;
    }
}
