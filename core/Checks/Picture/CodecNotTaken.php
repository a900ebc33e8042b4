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
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\ByteCount;

/** The host does not take this codec. */
final class CodecNotTaken implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || $host->asks->takesCodec($plan->picture->codec->id())) {
            return null;
        }
        $wanted = $host->asks->codecs[0];

        $asked = implode(' or ', array_unique(array_map(CodecNames::codec(...), array_column($host->asks->codecs, 'codec'))));
        $size = new ByteCount(SizeEstimate::of($plan, $subject->reading)->bytes);

        return new Finding(
            'codec-not-taken',
            Severity::Caution,
            Cell::Picture,
            "{$host->name} asks {$asked} and not {$plan->picture->codec->name()}; it may refuse the file of about {$size} or take hours over it.",
            new Remedy('Use what it asks for', ['picture' => array_filter(['codec' => $wanted['codec'], 'profile' => $wanted['profile']]), 'rate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]]]),
        );
    }
}
