<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Cells;
use OuterCrate\Units\FrameRange;

/** Rules + reading + asks → plan. Always gives a plan; a rule that leads nowhere is refused, and decided without. */
final readonly class Planner
{
    public function __construct(private Catalogue $catalogue, private Cells $cells)
    {
    }

    /**
     * @param  Subject  $subject  the cut, and what is known of the machine that will make the file
     *
     * @throws InvalidArgumentException when the cut has no picture, or the preset's own rule leads nowhere twice
     */
    public function plan(Subject $subject, OutputSpec $spec): Plan
    {
        $reading = $subject->reading;
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to plan for.');
        $whole = FrameRange::whole(max(1, $reading->length()));
        $range = $spec->range === null ? $whole : $whole->clamp($spec->range->first, $spec->range->last);
        $duration = $range->equals($whole) ? $reading->duration : $video->frameRate->secondsOf($range->count());
        $edits = $spec->edits;
        $rules = $this->cells->merge($spec->preset->rules, $edits);
        $said = $rules;
        $refused = [];
        while (true) {
            $draft = new Draft(
                cells: $this->cells,
                subject: $subject,
                reading: $reading,
                cutVideo: $video,
                preset: $spec->preset,
                host: $spec->host,
                catalogue: $this->catalogue,
                rules: $rules,
                edits: $edits,
                range: $range,
                duration: $duration,
            );
            try {
                [$values, $origins] = $draft->decided();
                break;
            } catch (PlanImpossible $e) {
                if (isset($refused[$e->cell])) {
                    throw new InvalidArgumentException(
                        "The preset {$spec->preset->name} does not work for this cut: {$e->getMessage()}",
                        0,
                        $e,
                    );
                }
                $yours = $edits->has($e->cell);
                $refused[$e->cell] = new Refusal($e->cell, $e->getMessage(), $yours);
                // Everything is decided again without the refused rule, so that the rest of the column stays useful.
                $edits = $edits->without($e->cell);
                $rules = $this->cells->merge($spec->preset->rules, $edits);
                foreach ($refused as $refusal) {
                    $rules = $refusal->yours ? $rules : $rules->without($refusal->cell);
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
            refused: array_values($refused),
        );
    }
}
