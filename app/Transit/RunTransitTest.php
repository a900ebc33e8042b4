<?php

namespace App\Transit;

use App\Media\CutFile;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Models\Cut;
use App\Models\TransitTest;
use App\Models\Work;
use App\Work\CutAtHand;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use OuterCrate\Documents\CandidateDocument;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Json\Fields;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Makes transit tests. Every step is kept, so that one that was put down goes on where it was. */
class RunTransitTest implements Kind
{
    public function __construct(
        private readonly Tester $tester,
        private readonly StepStore $store,
        private readonly CutAtHand $atHand,
        private readonly HostFile $hosts,
        private readonly CandidateDocument $documents,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: TransitTest::WORK,
            does: 'tests what survives',
            failure: 'An unexpected error stopped this transit test. Finished steps are kept. See storage/logs for details.',
            group: WorkerGroup::Tests,
            priority: Priority::Test,
            shows: TestsInStrip::class,
            yields: true,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $test = TransitTest::query()->find($work->subject);
        $cut = $test?->cut;
        if ($test === null || $cut === null) {
            return;
        }
        $this->atHand->during($cut, fn () => $this->test($test, $cut, $meter));
    }

    private function test(TransitTest $test, Cut $cut, Meter $meter): void
    {
        $todo = 'Point to it or read it again, then test again.';
        CutFile::need($cut, $todo);
        $cut->fingerprint === $test->asked['fingerprint'] ?: throw FileProblem::changed($cut->path, $todo);
        $reading = $cut->reading();
        [$host, $weights, $candidates] = TestRefused::unlessReadable(fn (): array => [
            $this->hosts->stored(new Fields($test->asked['host'])),
            Weights::fromArray(new Fields($test->asked['weights'])),
            array_map(fn (array $candidate): Candidate => $this->documents->read($candidate, $reading), $test->asked['candidates']),
        ]);
        $made = $this->tester->test(
            $cut,
            $host,
            $candidates ?: throw TestRefused::nothing(),
            array_map(fn (int $lines): Screen => new Screen($lines), $test->asked['screens']),
            $test->asked['pieces'],
            array_map(fn (array $piece): FrameRange => new FrameRange(...$piece), $test->asked['chosen']),
            $weights,
            fn (float $share) => $meter->note($share),
            $meter->shouldStop(...),
        );
        $test->update($made);
        Proof::keep($test, $candidates);
        $this->store->prune();
    }
}
