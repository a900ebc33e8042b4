<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The file grows past what the drive’s file system can hold in one file. */
final class FileSystemLimit implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $most = $subject->volume->largestFile();
        $bytes = SizeEstimate::of($plan, $subject->reading)->bytes;
        if ($most === null || $bytes <= $most || $plan->container->container->extension() === '') {
            return null;
        }

        return new Finding('file-system-limit', Severity::Stop, Cell::File, 'The file comes to about '.new ByteCount($bytes).", and a drive formatted as {$subject->volume->fileSystem} holds files of at most ".new ByteCount($most).'. Choose a folder on another drive.', Remedy::stayingUnder($plan, $most));
    }
}
