<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The cut’s name says that it is no finished edit, or a much larger file lies beside it. */
final class CutMayBeWrong implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $neighbour = $subject->neighbour;
        if (preg_match('~(?<![a-z])(proxy|proxies|draft|offline|preview|lowres|rough cut|backup)(?![a-z])~i', $subject->cutName, $word) === 1) {
            return new Finding('cut-may-be-wrong', Severity::Caution, Cell::File, "The cut’s name says “{$word[1]}”, and it has ".new ByteCount($subject->reading->bytes).'. Make sure that it is the finished edit.');
        }

        return $neighbour === null ? null : new Finding('cut-may-be-wrong', Severity::Note, Cell::File, 'Beside the cut, of '.new ByteCount($subject->reading->bytes).", lies {$neighbour['name']}, of ".new ByteCount($neighbour['bytes']).'. Make sure that this is the finished edit and not a proxy of it.');
    }
}
