<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A player plays some codecs up to some level alone. */
final class DeviceRefusesCodec implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        $video = $plan->video;
        if ($device === null) {
            return null;
        }
        $levels = array_flip($video->codec->levels());
        $isAbove = ($levels[$video->level ?? ''] ?? 0) > ($levels[$device->level ?? ''] ?? count($levels));
        $isPlayed = in_array($video->codec->id(), $device->codecs, true);
        if ($isPlayed && ! $isAbove) {
            return null;
        }

        $codecs = array_intersect_key((new Catalogue)->videoCodecs(), array_flip($device->codecs));
        $known = implode(' or ', array_map(static fn (VideoCodec $codec): string => $codec->name(), $codecs));

        $upTo = $device->level === null ? '' : " up to level {$device->level}";

        return new Finding(
            'device-refuses-codec',
            Severity::Stop,
            VideoCell::NAME,
            $isPlayed
                ? "{$device->name}s play up to level {$device->level}; this is level {$video->level}."
                : "{$device->name}s hold {$known}{$upTo}, and no {$video->codec->name()}.",
            $isPlayed
                ? Remedy::adding($plan, "Hold it to level {$device->level}", VideoCell::NAME, ['level' => $device->level])
                : Finding::putBack(VideoCell::NAME, 'Put the preset’s codec back'),
        );
    }
}
