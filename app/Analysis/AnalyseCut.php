<?php

namespace App\Analysis;

use App\Media\CutFile;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Work;
use App\Work\CutAtHand;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use OuterCrate\Analysis\Analysis;

/** Looks at a cut, behind every run and every sample: the one whose sheet was opened last. What is finished of it is kept. */
class AnalyseCut implements Kind
{
    public function __construct(private readonly Analyser $analyser, private readonly CutAtHand $atHand)
    {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: CutAnalysis::WORK,
            does: 'looks at cuts',
            failure: 'An unexpected error stopped this analysis. The cut is unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::Analysis,
            shows: AnalysesInStrip::class,
            yields: true,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $analysis = CutAnalysis::query()->find($work->subject);
        $cut = $analysis?->cut;
        if ($analysis === null || $cut === null) {
            return;
        }
        $this->atHand->during($cut, fn () => $this->analyse($analysis, $cut, $meter));
    }

    private function analyse(CutAnalysis $analysis, Cut $cut, Meter $meter): void
    {
        CutFile::need($cut, 'Point to it, or read it again.');
        $reading = $cut->reading();
        $frames = max(1, $reading->length());
        $facts = $this->analyser->measure(
            $reading,
            $cut->path,
            Workspace::ofCut($cut->id),
            proxy: true,
            onFrames: fn (int $done) => $meter->note($done / $frames),
            shouldStop: $meter->shouldStop(...),
        );
        $analysis->update(['result' => Analysis::of($facts, $reading)->toArray(), 'version' => Analysis::VERSION]);
    }
}
