<?php

namespace App\Packing;

use App\Engine\Runner;
use App\Media\MovieTags;
use App\Media\OutputFile;
use App\Media\SegmentTags;
use App\Models\Run;
use App\Work\Meter;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\Progress;
use OuterCrate\Planning\Plan;

/** Runs the passes of a run over its cut, and tells how far they are. */
class PassRunner
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  non-empty-list<Pass>  $passes
     * @param  string  $folder  they work in
     * @param  int  $begun  share of the whole work that was done before, in hundredths
     */
    public function run(Run $run, array $passes, OutputFile $file, string $folder, Meter $meter, int $begun = 0): void
    {
        $frames = max(1, (int) $run->plan['frames']);
        $seconds = max(0.001, Plan::secondsOf($run->plan));
        foreach ($passes as $pass) {
            $onProgress = function (Progress $progress) use ($meter, $pass, $frames, $seconds, $begun): void {
                $share = $progress->shareOf($frames, $seconds);
                $more = ['frames' => (int) round($frames * $share), 'speed' => $progress->framesPerSecond];
                $meter->note(($begun + $pass->weight * $share) / 100, $more, $progress->ended);
            };
            $target = $pass->writes ? $file->target($pass->images) : null;
            $this->runner->encode(EncodeCommand::of($pass, $run->source, $target), $folder, $onProgress, $meter->shouldStop(...));
            $begun += $pass->weight;
            if ($pass->boxes !== '') {
                MovieTags::put($file->partial, $pass->boxes, $meter->check(...));
            }
            if ($pass->elements !== '') {
                SegmentTags::put($file->partial, $pass->elements);
            }
        }
    }
}
