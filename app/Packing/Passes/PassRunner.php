<?php

namespace App\Packing\Passes;

use App\Media\MovieTags;
use App\Media\Scratch;
use App\Media\SegmentTags;
use App\Packing\Run\FileInProgress;
use App\Packing\Run\FinishedFile;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\Progress;
use OuterCrate\Planning\Plan;

/** Runs the passes of a run over its cut, and tells how far they are. */
class PassRunner
{
    /** Share of a pass after which its size tells what the file will have. */
    private const TELLING = 0.05;

    /** File in the working folder that lists the finished first passes. */
    private const FINISHED = 'finished-passes';

    /** @param  non-empty-list<Pass>  $passes  the remaining passes; their weights add up to the remaining share of the work */
    public function run(FileInProgress $file, array $passes, PassEngine $engine): void
    {
        [$run, $scratch, $meter] = [$file->run, $file->scratch, $file->meter];
        $begun = 100 - array_sum(array_map(fn (Pass $pass): int => $pass->weight, $passes));
        $frames = max(1, (int) $run->plan['frames']);
        $seconds = max(0.001, Plan::secondsOf($run->plan));
        $number = 0;
        foreach ($passes as $pass) {
            $number++;
            $onProgress = function (Progress $progress) use ($meter, $pass, $passes, $number, $frames, $seconds, $begun): void {
                $share = $progress->shareOf($frames, $seconds);
                $more = [
                    'frames' => (int) round($frames * $share),
                    'speed' => $progress->framesPerSecond,
                    'detail' => [
                        'pass' => $number,
                        'passes' => count($passes),
                        'gathers' => ! $pass->writes,
                        'bytes' => $pass->writes ? $progress->bytes : 0,
                        'toCome' => $pass->writes && $share > self::TELLING ? (int) ($progress->bytes / $share) : null,
                    ],
                ];
                $meter->note(($begun + $pass->weight * $share) / 100, $more, $progress->ended);
            };
            $request = new PassRequest($file, $pass, $onProgress);
            if (! $pass->writes && self::isFinished($scratch, $request->command)) {
                // An earlier process came to its end before it was ended itself.
                $file->journal->result("Pass {$number} was finished before: it is not made again.");
                $begun += $pass->weight;

                continue;
            }
            $isTagged = $pass->writes ? FinishedFile::takeOver($file, $pass) : null;
            $isTagged === null
                ? $engine->run($request)
                : $file->journal->result("Pass {$number} was finished before, with all of the file: it is not made again.");
            $pass->writes ?: $scratch->add(self::FINISHED, [self::digest($request->command)."\n"]);
            $begun += $pass->weight;
            if ($pass->writes && $isTagged !== true) {
                $this->tag($file, $pass);
            }
        }
    }

    private function tag(FileInProgress $file, Pass $pass): void
    {
        if ($pass->boxes !== '') {
            MovieTags::put($file->output()->partial, $pass->boxes, $file->meter->check(...));
        }
        if ($pass->elements !== '') {
            SegmentTags::put($file->output()->partial, $pass->elements);
        }
        FinishedFile::mark($file, $pass, tagged: true);
    }

    /** Whether an earlier process finished this first pass with the same arguments. */
    private static function isFinished(Scratch $scratch, Command $command): bool
    {
        return in_array(self::digest($command)."\n", iterator_to_array($scratch->lines(self::FINISHED), false), true);
    }

    private static function digest(Command $command): string
    {
        return hash('xxh128', implode("\0", $command->arguments));
    }
}
