<?php

namespace App\Transit;

use App\Media\CutFile;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Models\Cut;
use App\Models\TransitTest;
use App\Models\Work;
use App\Work\CutAtHand;
use App\Work\Kind;
use App\Work\Meter;
use InvalidArgumentException;
use OuterCrate\Hosts\Host;
use OuterCrate\Json\Freezer;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Makes transit tests. Every step is kept, so that one that was put down goes on where it was. */
class RunTransitTest implements Kind
{
    public function __construct(private readonly Tester $tester, private readonly StepStore $store, private readonly CutAtHand $atHand)
    {
    }

    public function name(): string
    {
        return TransitTest::WORK;
    }

    public function does(): string
    {
        return 'tests what survives';
    }

    public function priority(): int
    {
        return 15;
    }

    public function givesWay(): bool
    {
        return true;
    }

    public function atOnce(): ?int
    {
        return null;
    }

    public function staleAfter(): ?int
    {
        return null;
    }

    public function brokeDown(): string
    {
        return 'Something broke inside Outer Crate while this was tested. storage/logs says more; what was made is kept.';
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
        try {
            $host = Freezer::thaw($test->asked['host']);
            $candidates = Freezer::thaw($test->asked['candidates']);
            $weights = Freezer::thaw($test->asked['weights']);
        } catch (InvalidArgumentException) {
            throw TestRefused::older();
        }
        if (! $host instanceof Host || ! $weights instanceof Weights || ! is_array($candidates)) {
            throw TestRefused::older();
        }
        $candidates = array_values(array_filter($candidates, fn (mixed $one): bool => $one instanceof Candidate));
        $made = $this->tester->test(
            $cut,
            $host,
            $candidates ?: throw TestRefused::older(),
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
