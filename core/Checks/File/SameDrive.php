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

/** A large file is written to the drive that the cut is read from. */
final class SameDrive implements Check, ForSoundToo
{
    /** Bytes from which it is felt. */
    private const LARGE = 5_000_000_000;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $bytes = $estimate->bytes;
        if (! $subject->volume->holdsCut || $bytes < self::LARGE || $subject->reading->bytes < self::LARGE) {
            return null;
        }

        return new Finding(
            'same-drive',
            Severity::Note,
            FileCell::NAME,
            'The cut, of '.
                new ByteCount($subject->reading->bytes).
                ', is read from the drive that about '.
                new ByteCount($bytes).
                ' are written to. On a disk that turns, both take turns as well; another drive is faster and safer.',
        );
    }
}
