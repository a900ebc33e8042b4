<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;

/** PQ without metadata of its mastering display and its light: players guess how bright it gets. */
final class HdrWithoutMetadata implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $colour = $plan->colour;
        if (
            $colour->colour->transfer !== 'smpte2084' ||
            ($colour->mastering !== null && $colour->light !== null) ||
            $plan->spec->preset->role === Role::Stills
        ) {
            return null;
        }
        if (! $plan->video->codec->keepsHdrMetadata($plan->container->container)) {
            return new Finding(
                'hdr-without-metadata',
                Severity::Caution,
                ColourCell::NAME,
                "{$plan->video->name()} in {$plan->container->container->name()} carries 0 of the 2 HDR10 records, so players "
                    .'guess how bright the picture gets.',
                new Remedy('Use MOV, which carries them', ['container' => ['set' => 'mov'], 'audio' => 'follow']),
            );
        }
        $missing =
            $colour->mastering === null
                ? ($colour->light === null
                    ? 'mastering display and content light'
                    : 'mastering display')
                : 'content light (MaxCLL, MaxFALL)';
        $left = $plan->wishes('colour', 'hdr10') === 'none';

        return new Finding(
            'hdr-without-metadata',
            $colour->light === null ? Severity::Caution : Severity::Note,
            ColourCell::NAME,
            "HDR10 has 2 records, and the {$missing} is not known: players and hosts guess how bright the picture gets.",
            $left ? Remedy::adding($plan, 'Write what is known', ColourCell::NAME, ['hdr10' => 'carry']) : null,
        );
    }
}
