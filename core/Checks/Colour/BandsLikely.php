<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Evidence;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Smooth gradients lose bits on the way to 8 and turn to bands, which a host’s encoder makes worse. */
final class BandsLikely implements Check
{
    /** Share of the picture from which gradients show. */
    private const SMOOTH = 0.3;

    /** Grain, on a scale to 255, that breaks bands up by itself. */
    private const GRAIN = 1.5;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $found = $subject->found;
        $cut = $subject->reading->mainVideo()?->pixelFormat;
        if (
            $found === null ||
            $cut === null ||
            $plan->colour->pixelFormat->bitDepth > 8 ||
            $plan->colour->dither === 'error-diffusion' ||
            $found->grain > self::GRAIN ||
            max($found->gradient, $found->darkness * 0.5) < self::SMOOTH
        ) {
            return null;
        }
        $evidence = Evidence::of($plan, $subject);
        $percent = round(100 * $found->gradient);
        $dark = round(100 * $found->darkness);

        return new Finding(
            'bands-likely',
            $evidence === null || $evidence->own->banded ? Severity::Caution : Severity::Note,
            ColourCell::NAME,
            "{$percent} % of the picture are gentle gradients and {$dark} % of the frames are dark, with hardly any grain: in 8 "
                .'bits they turn to bands once the host has recompressed them.'
                .($evidence === null ? '' : " {$evidence->source()}: ".sprintf(
                    $evidence->own->banded ? 'bands are seen, %.2f by CAMBI.' : 'none are seen so far, %.2f by CAMBI.',
                    $evidence->own->bandingAdded,
                )),
            $cut->bitDepth > 8 ? Remedy::adding($plan, 'Diffuse the error', ColourCell::NAME, ['dither' => 'error-diffusion']) : null,
        );
    }
}
