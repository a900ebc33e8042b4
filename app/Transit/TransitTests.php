<?php

namespace App\Transit;

use App\Models\Cut;
use App\Models\TransitTest;
use App\Models\Work;
use App\Work\WorkQueue;
use OuterCrate\Desk\Column;
use OuterCrate\Documents\CandidateDocument;
use OuterCrate\Hosts\Host;
use OuterCrate\Planning\Plan;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Asks for transit tests. What is asked for is stored whole: a preset or a host that is changed later changes no test. */
class TransitTests
{
    public function __construct(
        private readonly WorkQueue $queue,
        private readonly RunTransitTest $kind,
        private readonly CandidateDocument $documents,
    ) {
    }

    /**
     * @param  list<Column>  $columns
     * @param  list<int>  $screens  lines of each; the usual ones when empty
     * @param  list<FrameRange>  $chosen  pieces that the person chose; the analysis chooses when empty
     * @param  list<string>  $names  of the columns, where they have some of their own
     * @param  string|null  $output  key of the sheet's output that they lie around
     * @param  array<int, Column>  $masters  that are made first, by place of the column that is made of it
     *
     * @throws TestRefused
     */
    public function ask(
        Cut $cut,
        Host $host,
        array $columns,
        array $screens = [],
        int $pieces = ChoosePieces::USUAL,
        array $chosen = [],
        Weights $weights = new Weights,
        array $names = [],
        ?string $output = null,
        array $masters = [],
    ): TransitTest {
        $host->recompression !== null ?: throw TestRefused::noLadder($host->name);
        $candidates = $this->candidates($columns, $names, $masters);
        foreach ([...array_map(fn (Candidate $candidate): FrameRange => $candidate->plan->range, $candidates), ...$chosen] as $span) {
            $span->count() > 1 ?: throw TestRefused::tooShort();
        }
        $screens = $screens === [] ? self::screens($cut) : $screens;
        $test = TransitTest::query()->create([
            'cut_id' => $cut->id,
            'host' => $host->slug,
            'card' => [
                'hostName' => $host->name,
                'screens' => $screens,
                'output' => $output,
                'candidates' => array_map(self::card(...), $candidates),
            ],
            'asked' => [
                'fingerprint' => $cut->fingerprint,
                'host' => $host->toArray(),
                'candidates' => array_map($this->documents->write(...), $candidates),
                'screens' => $screens,
                'pieces' => $pieces,
                'chosen' => array_map(fn (FrameRange $piece): array => [$piece->first, $piece->last], $chosen),
                'weights' => $weights->toArray(),
            ],
        ]);
        $this->queue->put($this->kind, $test->id, Work::now());

        return $test;
    }

    /**
     * The plan of a candidate.
     *
     * @throws TestRefused when there is no such candidate, or it cannot be read
     */
    public function planOf(TransitTest $test, string $name): Plan
    {
        $reading = $test->cut->reading();
        foreach ($test->asked['candidates'] as $candidate) {
            if (($candidate['name'] ?? null) === $name) {
                return TestRefused::unlessReadable(fn (): Plan => $this->documents->read($candidate, $reading)->plan);
            }
        }
        throw TestRefused::noSuch($name);
    }

    /** @return array<string, mixed> */
    private static function card(Candidate $candidate): array
    {
        $spec = $candidate->plan->spec;

        return [
            'name' => $candidate->name,
            'preset' => $spec->preset->slug,
            'host' => $spec->host?->slug,
            'version' => $spec->preset->version,
            'edits' => (object) $spec->edits->rules,
        ];
    }

    /**
     * @param  list<Column>  $columns
     * @param  list<string>  $own
     * @param  array<int, Column>  $masters
     * @return non-empty-list<Candidate>
     */
    private function candidates(array $columns, array $own, array $masters): array
    {
        if (count($columns) > Candidate::MOST) {
            throw TestRefused::tooMany(Candidate::MOST, count($columns));
        }
        $candidates = [];
        $names = [];
        foreach ($columns as $i => $column) {
            $preset = $own[$i] ?? $column->plan->spec->preset->name;
            $names[$preset] = ($names[$preset] ?? 0) + 1;
            $name = $preset.($names[$preset] > 1 ? " ({$names[$preset]})" : '');
            $master = $masters[$i] ?? null;
            $stop = $column->firstStop() ?? $master?->firstStop();
            if ($stop !== null) {
                throw TestRefused::cannot($name, $stop->text);
            }
            if (! $column->plan->frameSize->showsAll()) {
                throw TestRefused::otherShape($name);
            }
            $candidates[] = new Candidate(
                $name,
                $column->plan,
                $column->size->bytes,
                $column->making + ($master->making ?? 0.0),
                $column->sending,
                $master?->plan,
                $column->size->basis === 'sample',
            );
        }

        return $candidates ?: throw TestRefused::nothing();
    }

    /** @return non-empty-list<int> screens up to the one that shows every line of the cut */
    private static function screens(Cut $cut): array
    {
        $lines = $cut->reading()->mainVideo()?->displaySize()->shorterSide() ?? 1080;
        $screens = [];
        foreach (Screen::LINES as $screen) {
            $screens[] = $screen;
            if ($screen >= $lines) {
                break;
            }
        }

        return $screens;
    }
}
