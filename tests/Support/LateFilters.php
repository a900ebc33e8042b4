<?php

namespace Tests\Support;

use App\Packing\Passes\PassEngine;
use App\Packing\Passes\PassRunner;
use App\Packing\Run\FileInProgress;
use OuterCrate\Encoding\Passes\Pass;

/** Runs passes whose filters are off: two frames of 25 a second too late, and 30 ms of sound. */
final class LateFilters extends PassRunner
{
    public function run(FileInProgress $file, array $passes, PassEngine $engine): void
    {
        parent::run($file, array_map(self::late(...), $passes), $engine);
    }

    private static function late(Pass $pass): Pass
    {
        $by = fn (string $pattern, float $seconds, string $text): string => preg_replace_callback(
            $pattern,
            fn (array $match): string => $match[1].sprintf('%.6F', (float) $match[2] + $seconds),
            $text,
        );
        $arguments = array_map(
            fn (string $text): string => $by('~(asetpts=PTS-\()([\d.]+)~', 0.03, $by('~(start_time=)([\d.]+)~', 0.08, $text)),
            $pass->arguments,
        );

        return new Pass($pass->input, $arguments, $pass->writes, $pass->weight, $pass->boxes, $pass->images, $pass->beside);
    }
}
