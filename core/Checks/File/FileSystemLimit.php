<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\File\FileCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The file grows past what the drive’s file system can hold in one file. */
final class FileSystemLimit implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $most = $subject->volume->largestFile();
        $bytes = $estimate->bytes;
        if ($most === null || $bytes <= $most || $plan->container->container->extension() === '') {
            return null;
        }

        return new Finding(
            'file-system-limit',
            Severity::Stop,
            FileCell::NAME,
            'The file comes to about '.
                new ByteCount($bytes).
                ", and a drive formatted as {$subject->volume->fileSystem} holds files of at most ".
                new ByteCount($most).
                '. Choose a folder on another drive.',
            Remedy::stayingUnder($plan, $most),
        );
    }
}
