<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

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

        return new Finding(
            'codec-not-taken',
            Severity::Caution,
            Cell::Picture,
            "{$host->name} does not ask for {$plan->picture->codec->name()}; it may refuse the file or take hours over it.",
            new Remedy('Use what it asks for', ['picture' => array_filter(['codec' => $wanted['codec'], 'profile' => $wanted['profile']]), 'rate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]]]),
        );
    }
}
