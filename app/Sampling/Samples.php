<?php

namespace App\Sampling;

use App\Desk\KnownSamples;
use App\Media\CutFile;
use App\Models\Cut;
use App\Models\Sample;
use App\Models\Speed;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\WorkQueue;
use OuterCrate\Desk\Column;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Reading\Reading;

/** Asks for samples of plans whose size depends on the picture: a few pieces are encoded in the background, and the result is kept. */
class Samples
{
    /** Days that a result is kept; by then a cut has been delivered, or the machine is another one. */
    private const KEPT = 60;

    public function __construct(
        private readonly KnownSamples $known,
        private readonly WorkQueue $queue,
        private readonly SamplePieces $kind,
        private readonly PlanDocument $documents,
    ) {
    }

    /**
     * Asks for a sample of each column that has none and would gain by it: in the figure for its size, or in that for the time it
     * takes, which no run on this machine has taught yet.
     *
     * @param  list<Column>  $columns
     * @return list<bool> by column: whether one is under way
     */
    public function want(Cut $cut, Reading $reading, array $columns): array
    {
        $timed = Speed::query()->pluck('key')->all();

        return array_map(function (Column $column) use ($cut, $reading, $timed): bool {
            $plan = $column->plan;
            $gains = Sampling::isWorthwhile($plan) || ($plan->hasVideo() && ! in_array(TimeEstimate::key($plan), $timed, true));
            if ($column->sample !== null || $column->isStopped() || ! $gains || ! CutFile::isHere($cut)) {
                return false;
            }
            $named = ['cut_id' => $cut->id, 'key' => $this->known->key($cut, $plan, $reading)];
            $sample = Sample::query()->firstWhere($named)
                ?? Sample::query()->firstOrCreate($named, ['plan' => $this->documents->write($plan)]);
            if ($sample->result !== null) {
                return false;
            }
            $work = $this->queue->put($this->kind, $sample->id, Work::now());
            $this->queue->want(Sample::WORK, $sample->id);

            return $work->state !== WorkState::Failed;
        }, $columns);
    }

    /**
     * Whether a sample of each column is under way, which asks for none.
     *
     * @param  list<Column>  $columns
     * @return list<bool> by column
     */
    public function underWay(Cut $cut, Reading $reading, array $columns): array
    {
        $keys = array_map(fn (Column $column): string => $this->known->key($cut, $column->plan, $reading), $columns);
        $waited = Sample::query()->where('cut_id', $cut->id)->whereIn('key', $keys)->whereNull('result')
            ->whereIn('id', Work::query()->where('kind', Sample::WORK)->whereIn('state', WorkState::underWay())->select('subject'))
            ->pluck('key')->all();

        return array_map(
            fn (Column $column, string $key): bool => $column->sample === null && in_array($key, $waited, true),
            $columns,
            $keys,
        );
    }

    /** Results that nobody asked for in a long time are forgotten. */
    public function prune(): void
    {
        Sample::query()->where('created_at', '<', now()->subDays(self::KEPT))->delete();
    }
}
