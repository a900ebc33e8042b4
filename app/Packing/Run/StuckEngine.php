<?php

namespace App\Packing\Run;

use App\Engine\EngineStuck;
use App\Media\Scratch;
use App\Work\Owner;

/**
 * An engine of a run that could not be ended, since it waits for a drive. Until it is gone it has the unfinished file in its hands, and
 * whoever removes that waits as well.
 */
final class StuckEngine
{
    private const FOLDER = 'stuck-engines';

    public static function note(int $run, EngineStuck $engine): void
    {
        $notes = Scratch::kept(self::FOLDER);
        $notes->drop("run-{$run}");
        $notes->add("run-{$run}", [Owner::of($engine->process)]);
    }

    /** Whether it is there still, on this machine. */
    public static function isThere(int $run): bool
    {
        $notes = Scratch::found(self::FOLDER);
        $owner = trim((string) $notes?->whole("run-{$run}"));
        if ($notes === null || $owner === '') {
            return false;
        }
        if (Owner::isHere($owner) && ! Owner::isGone($owner)) {
            return true;
        }
        $notes->drop("run-{$run}");
        $notes->names() === [] && $notes->remove();

        return false;
    }
}
