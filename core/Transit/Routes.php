<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Planning\Plan;

/** The three ways in which people make an upload: quickly, carefully, or of a master that they made first; each as changes to a column. */
enum Routes: string
{
    case Fast = 'Fast, one pass';
    case Slow = 'Slow, two passes';
    case Master = 'Master first';

    /** Whether the upload is made of the master and not of the cut. */
    public function isViaMaster(): bool
    {
        return $this === self::Master;
    }

    /** @return array<string, mixed> the column's edits with those of the route */
    public function edits(Plan $plan): array
    {
        $own = $plan->spec->edits;
        $isFast = $this === self::Fast;
        $edits = ['video' => $own->laidOver('video', ['effort' => $isFast ? 'fast' : 'slow'])];
        if ($plan->bitrate->average !== null && $plan->video->codec->hasTwoPasses()) {
            $edits['bitrate'] = $own->laidOver('bitrate', ['passes' => $isFast ? 1 : 2]);
        }

        return $edits + $own->rules;
    }
}
