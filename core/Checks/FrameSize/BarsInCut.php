<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;

/** Black bars were made part of the cut's picture: a 4:3 picture in a 16:9 frame, an upright one in a wide frame. */
final class BarsInCut implements Check
{
    /** Share of the picture that has to be black to be worth a word … */
    private const SEEN = 0.02;

    /** … and to cost something: as much as a 4:3 picture leaves black in a 16:9 frame, less what edges hide. */
    private const MUCH = 0.22;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        $bars = $subject->found?->bars;
        $whole = $video?->uprightSize();
        $inside = $whole === null ? null : $bars?->inside($whole);
        // A master keeps what the cut has; a picture that is fitted into a fixed frame may get its bars back.
        if (
            $video === null ||
            $bars === null ||
            $inside === null ||
            $plan->frameSize->window !== null ||
            ! in_array($plan->spec->preset->role, [Role::Upload, Role::Review, Role::Device], true)
        ) {
            return null;
        }
        $black = 1 - $inside->size->pixels() / $whole->pixels();
        if (
            $black < self::SEEN ||
            ($plan->wishes('frameSize', 'exact') !== null &&
                $this->padded($plan, $video->displaySize($inside->size)->aspect()->toFloat()) >= $black)
        ) {
            return null;
        }

        return new Finding(
            'bars-in-cut',
            $black < self::MUCH ? Severity::Note : Severity::Caution,
            FrameSizeCell::NAME,
            'Black bars are part of the cut’s picture ('.
                $bars->label().
                '), '.
                round(100 * $black).
                ' % of it: they are coded, and on a screen of another shape more come around them.',
            Remedy::adding($plan, "Leave them out: {$video->displaySize($inside->size)->even()} is left", FrameSizeCell::NAME, [
                'bars' => 'trim',
            ]),
        );
    }

    /** Share of the plan's frame that would be black with the bars left out. */
    private function padded(Plan $plan, float $aspect): float
    {
        $frame = $plan->frameSize->frame->aspect()->toFloat() * $plan->frameSize->sampleAspect->toFloat();

        return 1 - min($aspect / $frame, $frame / $aspect);
    }
}
