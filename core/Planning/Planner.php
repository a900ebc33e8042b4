<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use InvalidArgumentException;
use OuterCrate\Checks\CheckList;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\LevelNeeds;
use OuterCrate\Planning\Decisions\DecideColour;
use OuterCrate\Planning\Decisions\DecideContainer;
use OuterCrate\Planning\Decisions\DecideFile;
use OuterCrate\Planning\Decisions\DecideFrameRate;
use OuterCrate\Planning\Decisions\DecideFrameSize;
use OuterCrate\Planning\Decisions\DecideKeyframes;
use OuterCrate\Planning\Decisions\DecidePicture;
use OuterCrate\Planning\Decisions\DecideRate;
use OuterCrate\Planning\Decisions\DecideSound;
use OuterCrate\Planning\Decisions\Decision;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/** Rules + reading + asks → plan. Always gives a plan; a rule that leads nowhere becomes a finding that stops it. */
final readonly class Planner
{
    /** @var list<Decision> each may look at what those before it decided */
    private array $decisions;

    public function __construct(private Catalogue $catalogue, private CheckList $checks)
    {
        $this->decisions = [
            new DecidePicture, new DecideContainer, new DecideFrameSize, new DecideFrameRate,
            new DecideColour, new DecideKeyframes, new DecideSound, new DecideRate, new DecideFile,
        ];
    }

    /**
     * @param  Subject  $subject  the cut, and what is known of the machine that will make the file
     *
     * @throws InvalidArgumentException when the cut has no picture
     */
    public function plan(Subject $subject, OutputSpec $spec): Plan
    {
        $reading = $subject->reading;
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to plan for.');
        $refused = [];
        $whole = FrameRange::whole(max(1, $reading->length()));
        $range = $spec->range === null ? $whole : $whole->clamp($spec->range->first, $spec->range->last);
        $duration = $range->equals($whole) ? $reading->duration : $video->frameRate->secondsOf($range->count());
        $edits = $spec->edits;
        $draft = new Draft($subject, $reading, $video, $spec->preset, $spec->host, $this->catalogue, $spec->preset->rules->with($edits), $edits, $range, $duration);
        for ($i = 0; $i < count($this->decisions); $i++) {
            try {
                $this->decisions[$i]->decide($draft);
            } catch (PlanImpossible $e) {
                if (isset($refused[$e->cell->value])) {
                    throw new InvalidArgumentException("The preset {$spec->preset->name} does not work for this cut: {$e->getMessage()}", 0, $e);
                }
                $refused[$e->cell->value] = $this->refusal($e, $edits);
                // Everything is decided again without the refused rule, so that the rest of the column stays useful.
                $edits = new Rules(array_diff_key($edits->rules, [$e->cell->value => true]));
                $rules = $spec->preset->rules->with($edits);
                if (! $spec->edits->has($e->cell->value)) {
                    $rules = new Rules(array_diff_key($rules->rules, [$e->cell->value => true]));
                }
                $draft = new Draft($subject, $reading, $video, $spec->preset, $spec->host, $this->catalogue, $rules, $edits, $range, $duration);
                $i = -1;
            }
        }
        $this->decideLevel($draft);
        $plan = $this->assemble($draft, $spec, $range, $range->equals($whole));
        $plan = $plan->withSample($subject->sampleOf($plan));

        return $plan->withFindings([...array_values($refused), ...$this->checks->look($plan, $subject)]);
    }

    /** The lowest level that holds, unless one is fixed; a check looks whether that one holds. */
    private function decideLevel(Draft $draft): void
    {
        $picture = $draft->picture();
        if ($picture->level === null) {
            $needs = new LevelNeeds($draft->frameSize()->frame, $draft->frameRate()->rate, $draft->rate()->peak ?? $draft->rate()->average, $draft->keyframes()->references ?? 0);
            $draft->refine(Cell::Picture, $picture->atLevel($picture->codec->level($picture->profile, $needs)));
        }
    }

    private function assemble(Draft $draft, OutputSpec $spec, FrameRange $range, bool $whole): Plan
    {
        $rate = $draft->frameRate();
        $frames = $rate->convert ? max(1, $rate->rate->framesIn($draft->duration)) : ($whole ? $draft->video->frames : $range->count());

        return new Plan(
            $spec, $draft->container(), $draft->picture(), $draft->frameSize(), $rate, $draft->rate(),
            $draft->keyframes(), $draft->colour(), $draft->sound(), $draft->file(), $draft->origins(), $range, $frames, $draft->duration,
        );
    }

    private function refusal(PlanImpossible $e, Rules $edits): Finding
    {
        $yours = $edits->has($e->cell->value);

        return new Finding('impossible-value', Severity::Stop, $e->cell, $e->getMessage(), $yours ? Finding::putBack($e->cell, 'Put the preset’s value back') : null);
    }
}
