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
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\ByteCount;

/** The host does not take this codec. */
final class CodecNotTaken implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $width = $plan->frameSize->frame->width;
        if ($host === null || $host->asks->takesCodec($plan->video->codec->id(), $width)) {
            return null;
        }
        $codecs = $host->asks->codecsFor($width) ?: $host->asks->codecs;
        $wanted = $codecs[0];
        $asked = implode(
            ' or ',
            array_unique(array_map(static fn (CodecAsk $ask): string => CodecNames::codec($ask->codec), $codecs)),
        );
        $size = new ByteCount($estimate->bytes);

        return new Finding(
            'codec-not-taken',
            Severity::Caution,
            VideoCell::NAME,
            "{$host->name} asks {$asked} for {$plan->frameSize->frame} and not {$plan->video->codec->name()}; it may refuse the file of "
                ."about {$size} or take hours over it.",
            new Remedy('Use what it asks for', [
                'video' => array_filter(['codec' => $wanted->codec, 'profile' => $wanted->profile]),
                'bitrate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]],
            ]),
        );
    }
}
