<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\File\FileCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The cut’s name says that it is no finished edit, or a much larger file lies beside it. */
final class CutMayBeWrong implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $neighbour = $subject->neighbour;
        if (
            preg_match('~(?<![a-z])(proxy|proxies|draft|offline|preview|lowres|rough cut|backup)(?![a-z])~i', $subject->cutName, $word) ===
            1
        ) {
            return new Finding(
                'cut-may-be-wrong',
                Severity::Caution,
                FileCell::NAME,
                "The cut’s name says “{$word[1]}”, and it has ".
                    new ByteCount($subject->reading->bytes).
                    '. Make sure that it is the finished edit.',
            );
        }

        return $neighbour === null
            ? null
            : new Finding(
                'cut-may-be-wrong',
                Severity::Note,
                FileCell::NAME,
                'Beside the cut, of '.
                    new ByteCount($subject->reading->bytes).
                    ", lies {$neighbour['name']}, of ".
                    new ByteCount($neighbour['bytes']).
                    '. Make sure that this is the finished edit and not a proxy of it.',
            );
    }
}
