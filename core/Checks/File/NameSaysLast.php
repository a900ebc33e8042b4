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

/** A name that says it is the last version, often more than once, and never is. */
final class NameSaysLast implements Check, ForSoundToo
{
    private const WORDS = '~(?<![a-z])(final|finished|last|latest|newest|definitive)(?![a-z])~i';

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $count = preg_match_all(self::WORDS, $plan->file->name);
        if ($count === false || $count === 0) {
            return null;
        }
        $plain = trim(
            (string) preg_replace(
                ['~[ _.-]*(?<![a-z])(final|finished|last|latest|newest|definitive|really|ok)(?![a-z])~i', '~\s+~'],
                ['', ' '],
                $subject->cutName,
            ),
            ' _-.',
        );

        return new Finding(
            'name-says-last',
            Severity::Note,
            FileCell::NAME,
            "The name says {$count} time".
                ($count === 1 ? '' : 's').
                ' that it is the last version. A number tells more the day another one follows.',
            Remedy::adding($plan, 'Count versions instead', FileCell::NAME, [
                'template' => ($plain === '' ? '{role}' : $plain).($plan->spec->host === null ? ' {role}' : ' {host}').' v{n}',
            ]),
        );
    }
}
