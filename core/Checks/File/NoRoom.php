<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The file will not fit on the drive it is made on. */
final class NoRoom implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $bytes = $estimate->bytes;
        $free = $subject->volume->freeBytes;
        $promised = $subject->volume->promisedBytes;
        if ($free === null || $bytes + $promised < $free) {
            return null;
        }
        $before = $promised === 0 ? '' : ', of which about '.new ByteCount($promised).' go to files that are made before it';

        return new Finding(
            'no-room',
            Severity::Stop,
            ContainerCell::NAME,
            'The file comes to about '.
                new ByteCount($bytes).
                ', and the drive has '.
                new ByteCount($free).
                " free{$before}. Make room or choose another folder.",
        );
    }
}
