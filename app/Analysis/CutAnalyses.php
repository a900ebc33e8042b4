<?php

namespace App\Analysis;

use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\WorkState;
use App\Work\WorkQueue;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use OuterCrate\Analysis\Analysis;

/** The analyses of the cuts on the shelf: asks for them, anew where need be. */
class CutAnalyses
{
    public function __construct(private readonly WorkQueue $queue, private readonly AnalyseCut $kind)
    {
    }

    /** Queues an analysis of the cut, unless there is a current one. */
    public function ask(Cut $cut, bool $anew = false): CutAnalysis
    {
        $space = Workspace::ofCut($cut->id);
        $analysis = CutAnalysis::query()->firstOrNew(['cut_id' => $cut->id]);
        $work = $analysis->exists ? $analysis->work : null;
        $underWay = $work?->exists === true && ! $work->state->isOver();
        if (! $anew && ($underWay || ($analysis->exists && $analysis->isCurrent() && is_file($space->proxy())))) {
            return $analysis;
        }
        if ($anew) {
            $space->begin();
            $analysis->result = null;
        }
        if ($analysis->exists) {
            $analysis->fill(['version' => Analysis::VERSION])->save();
        } else {
            // Another request may create it at the same moment.
            $analysis = CutAnalysis::query()->createOrFirst(['cut_id' => $cut->id], ['version' => Analysis::VERSION]);
        }
        $analysis->setRelation('work', $this->queue->put($this->kind, $analysis->id));

        return $analysis;
    }

    /** The person looks at this cut now: its analysis comes before the others. */
    public function want(Cut $cut): void
    {
        $analysis = $cut->analysis;
        if ($analysis !== null) {
            $this->queue->want(CutAnalysis::WORK, $analysis->id);
        }
    }

    /**
     * After an upgrade: cuts that were not looked at, or by older detectors. What failed for its own reason is not tried at
     * every start.
     */
    public function askMissing(): void
    {
        // Plain rows: of thousands of cuts, nearly all are up to date.
        $cuts = DB::table('cuts')->whereNull('taken_off_at')
            ->leftJoin('analyses', 'analyses.cut_id', '=', 'cuts.id')
            ->leftJoin('works', fn (JoinClause $work): JoinClause => $work
                ->on('works.subject', '=', 'analyses.id')->where('works.kind', CutAnalysis::WORK))
            ->orderByDesc('cuts.id')->get(['cuts.id', 'analyses.version', 'works.state']);
        foreach ($cuts as $cut) {
            $hasResult = $cut->state === WorkState::Done->value && (int) $cut->version === Analysis::VERSION;
            if ($cut->state === WorkState::Failed->value || ($hasResult && is_file(Workspace::ofCut($cut->id)->proxy()))) {
                continue;
            }
            $missing = Cut::query()->find($cut->id);
            $missing === null || $this->ask($missing);
        }
    }
}
