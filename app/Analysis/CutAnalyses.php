<?php

namespace App\Analysis;

use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Jobs\AnalyseCut;
use App\Media\FileProblem;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Models\RunState;
use App\Models\Sample;
use App\Packing\Interrupted;
use App\Planning\Samples;
use Closure;
use Illuminate\Support\Facades\DB;
use OuterCrate\Analysis\Analysis;
use Throwable;

/** The analyses of the cuts on the shelf: asks for them, makes them, gives way to runs. */
class CutAnalyses
{
    /** Seconds between looks at whether a run is waiting, and between notes of progress. */
    private const INTERVAL = 0.5;

    public function __construct(private readonly Analyser $analyser)
    {
    }

    /** Queues an analysis of the cut, unless there is a current one. */
    public function ask(Cut $cut, bool $anew = false): CutAnalysis
    {
        $analysis = CutAnalysis::query()->firstOrNew(['cut_id' => $cut->id]);
        $underWay = $analysis->exists && in_array($analysis->state, [RunState::Waiting, RunState::Running], true);
        if (! $anew && ($underWay || $analysis->exists && $analysis->isCurrent() && is_file(Workspace::ofCut($cut->id)->proxy()))) {
            return $analysis;
        }
        if ($anew) {
            Workspace::ofCut($cut->id)->begin();
        }
        $analysis->fill(['state' => RunState::Waiting, 'version' => Analysis::VERSION, 'percent' => 0, 'seconds_left' => null, 'error' => null, 'result' => $anew ? null : $analysis->result])->save();
        if (! $underWay) {
            AnalyseCut::dispatch();
        }

        return $analysis;
    }

    /** The person looks at this cut now: its analysis comes before the others. */
    public function want(Cut $cut): void
    {
        CutAnalysis::query()->where('cut_id', $cut->id)->where('state', RunState::Waiting)->update(['wanted_at' => now()->format('Y-m-d H:i:s.v')]);
    }

    public function next(): ?CutAnalysis
    {
        return CutAnalysis::query()->where('state', RunState::Waiting)->orderByRaw('wanted_at is null')->orderByDesc('wanted_at')->orderBy('id')->first();
    }

    /**
     * @param  Closure(): bool  $ending  true once this process is to end
     *
     * @throws Interrupted when it is to be taken up again later
     */
    public function make(CutAnalysis $analysis, Closure $ending): void
    {
        $claimed = CutAnalysis::query()->whereKey($analysis->id)->where('state', RunState::Waiting)->update(['state' => RunState::Running]);
        $cut = $analysis->refresh()->cut;
        if ($claimed === 0 || $cut === null) {
            return;
        }
        try {
            if ($cut->hasChanged()) {
                throw new FileProblem('The file has changed or gone since it was read.', $cut->path);
            }
            $reading = $cut->reading();
            $facts = $this->analyser->measure($reading, $cut->path, Workspace::ofCut($cut->id), true, $this->meter($analysis, $reading->length()), $this->givesWay($analysis, $ending));
            $analysis->update(['state' => RunState::Done, 'percent' => 100, 'seconds_left' => null, 'result' => Analysis::of($facts, $reading)->toArray()]);
        } catch (Stopped) {
            $analysis->update(['state' => RunState::Waiting, 'seconds_left' => null]);
            throw new Interrupted('The analysis gives way.');
        } catch (EngineFailed|FileProblem $e) {
            $this->fail($analysis, $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->fail($analysis, 'Something broke inside Outer Crate while this cut was analysed. storage/logs says more; the cut is untouched.');
        }
    }

    /** After a crash or an upgrade: whatever is not finished is queued again. */
    public function recover(): void
    {
        DB::table('jobs')->where('queue', AnalyseCut::QUEUE)->delete();
        CutAnalysis::query()->whereIn('state', [RunState::Waiting, RunState::Running])->update(['state' => RunState::Failed]);
        foreach (Cut::query()->orderByDesc('id')->lazy() as $cut) {
            $analysis = CutAnalysis::query()->firstWhere('cut_id', $cut->id);
            // What failed for its own reason is not tried at every start.
            if ($analysis === null || $analysis->error === null) {
                $this->ask($cut);
            }
        }
    }

    private function meter(CutAnalysis $analysis, int $frames): Closure
    {
        $begun = microtime(true);
        $written = 0.0;
        $first = null;

        return function (int $done) use ($analysis, $frames, $begun, &$written, &$first): void {
            $first ??= $done;
            $now = microtime(true);
            if ($now - $written < self::INTERVAL) {
                return;
            }
            $written = $now;
            $new = $done - $first;
            $analysis->update([
                'percent' => min(99, intdiv(100 * $done, max(1, $frames))),
                'seconds_left' => $new < 25 ? null : (int) ceil(($now - $begun) * ($frames - $done) / $new),
            ]);
        };
    }

    /** Asked often, so that it looks seldom. */
    private function givesWay(CutAnalysis $analysis, Closure $ending): Closure
    {
        $looked = 0.0;

        return function () use ($analysis, $ending, &$looked): bool {
            if ($ending()) {
                return true;
            }
            if (microtime(true) - $looked < self::INTERVAL) {
                return false;
            }
            $looked = microtime(true);

            return Run::query()->whereIn('state', RunState::underWay())->exists()
                // Someone looks at a sheet and waits for its figures.
                || Sample::query()->whereNull('result')->where('wanted_at', '>', now()->subSeconds(Samples::STALE)->format('Y-m-d H:i:s.v'))->exists()
                || CutAnalysis::query()->whereKey($analysis->id)->value('state') !== RunState::Running
                || CutAnalysis::query()->where('state', RunState::Waiting)->where('wanted_at', '>', $analysis->wanted_at ?? '')->exists();
        };
    }

    private function fail(CutAnalysis $analysis, string $message): void
    {
        $analysis->update(['state' => RunState::Failed, 'error' => $message, 'seconds_left' => null]);
    }
}
