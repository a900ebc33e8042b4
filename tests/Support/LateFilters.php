<?php

namespace Tests\Support;

use App\Packing\Making;
use App\Packing\PassRunner;
use OuterCrate\Encoding\Pass;

/** Runs passes whose filters are off: two frames of 25 a second too late, and 30 ms of sound. */
final class LateFilters extends PassRunner
{
    public function run(Making $making, array $passes, int $begun = 0): void
    {
        parent::run($making, array_map(self::late(...), $passes), $begun);
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
