<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The codec is the host’s, its profile is another. */
final class ProfileDiffers implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $codec = $plan->picture->codec;
        $asked = array_values(array_filter($host->asks->codecs ?? [], static fn (array $row): bool => $row['codec'] === $codec->id() && $row['profile'] !== null));
        if ($host === null || $asked === [] || in_array($plan->picture->profile, array_column($asked, 'profile'), true)) {
            return null;
        }
        $wanted = (string) $asked[0]['profile'];
        $name = $codec->profiles()[$wanted] ?? $wanted;

        return new Finding('profile-differs', Severity::Caution, Cell::Picture, "{$host->name} asks {$codec->name()} {$name}; this is {$plan->picture->name()}, and it may convert the file of about ".new ByteCount(SizeEstimate::of($plan, $subject->reading)->bytes).' first, or refuse it.', Remedy::adding($plan, "Use {$name}", Cell::Picture, ['codec' => $codec->id(), 'profile' => $wanted, 'level' => null]));
    }
}
