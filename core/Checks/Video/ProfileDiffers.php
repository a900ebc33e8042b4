<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Hosts\Asks\CodecAsk;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The codec is the host’s, its profile is another. */
final class ProfileDiffers implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $codec = $plan->video->codec;
        $asked = array_values(
            array_filter(
                $host->asks->codecs ?? [],
                static fn (CodecAsk $ask): bool => $ask->codec === $codec->id() && $ask->profile !== null,
            ),
        );
        if (
            $host === null ||
            $asked === [] ||
            in_array($plan->video->profile, array_map(static fn (CodecAsk $ask): ?string => $ask->profile, $asked), true)
        ) {
            return null;
        }
        $wanted = (string) $asked[0]->profile;
        $name = $codec->profiles()[$wanted] ?? $wanted;

        return new Finding(
            'profile-differs',
            Severity::Caution,
            VideoCell::NAME,
            "{$host->name} asks {$codec->name()} {$name}; this is {$plan->video->name()}, and it may convert the file of about ".
                new ByteCount($estimate->bytes).
                ' first, or refuse it.',
            Remedy::adding($plan, "Use {$name}", VideoCell::NAME, ['codec' => $codec->id(), 'profile' => $wanted, 'level' => null]),
        );
    }
}
