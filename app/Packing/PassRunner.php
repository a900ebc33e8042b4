<?php

namespace App\Packing;

use App\Media\MovieTags;
use App\Media\SegmentTags;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\Progress;
use OuterCrate\Planning\Plan;

/** Runs the passes of a run over its cut, and tells how far they are. */
class PassRunner
{
    /** Share of a pass after which its size tells what the file will have. */
    private const TELLING = 0.05;

    public function __construct(private readonly PassEngine $engine)
    {
    }

    /**
     * @param  non-empty-list<Pass>  $passes
     * @param  int  $begun  share of the whole work that was done before, in hundredths
     */
    public function run(Making $making, array $passes, int $begun = 0): void
    {
        [$run, $scratch, $meter] = [$making->run, $making->scratch, $making->meter];
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
            $request = new PassRequest($making, $pass, $onProgress);
            if (! $pass->writes && $scratch->holds(self::done($request->command))) {
                // An earlier process came to its end before it was ended itself.
                $making->journal->result("Pass {$number} was finished before: it is not made again.");
                $begun += $pass->weight;

                continue;
            }
            $isTagged = $pass->writes ? FinishedFile::takeOver($making, $pass) : null;
            $isTagged === null
                ? $this->engine->run($request)
                : $making->journal->result("Pass {$number} was finished before, with all of the file: it is not made again.");
            $pass->writes ?: $scratch->mark(self::done($request->command));
            $begun += $pass->weight;
            if ($pass->writes && $isTagged !== true) {
                $this->tag($making, $pass);
            }
        }
    }

    private function tag(Making $making, Pass $pass): void
    {
        if ($pass->boxes !== '') {
            MovieTags::put($making->file->partial, $pass->boxes, $making->meter->check(...));
        }
        if ($pass->elements !== '') {
            SegmentTags::put($making->file->partial, $pass->elements);
        }
        FinishedFile::mark($making, $pass, tagged: true);
    }

    /** The mark of a pass that only gathers and came to its end; another for other arguments. */
    private static function done(Command $command): string
    {
        return 'done-'.hash('xxh128', implode("\0", $command->arguments));
    }
}
