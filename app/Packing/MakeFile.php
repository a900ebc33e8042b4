<?php

namespace App\Packing;

use App\Database\Durably;
use App\Engine\Capabilities;
use App\Engine\Clock;
use App\Engine\EngineFailed;
use App\Engine\EngineStuck;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\CutFile;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Delivery;
use App\Models\Run;
use App\Models\Speed;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Declaration;
use App\Work\Ending;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Builder;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Documents\StoredPlan;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Encoding\Aim;
use OuterCrate\Encoding\Attempt;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Refusals\Refused;
use Throwable;

/** Makes the file of a run: encodes it beside its place, reads it back, and gives it its name. Never half a file is seen. */
class MakeFile implements Kind
{
    /** Lease while the finished file is renamed: no other worker may take over the run in between. */
    private const PUBLISH_LEASE_SECONDS = 60;

    public function __construct(
        private readonly Runner $engine,
        private readonly PassRunner $runner,
        private readonly Capabilities $capabilities,
        private readonly PassBuilder $passes,
        private readonly PlanDocument $documents,
        private readonly Inspector $inspector,
        private readonly SoundLeveller $leveller,
        private readonly LightMeasurer $light,
        private readonly Sisters $sisters,
        private readonly Together $together,
        private readonly InParts $inParts,
        private readonly DriveAnswers $answers,
        private readonly Room $room,
        private readonly WorkQueue $queue,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Run::WORK,
            does: 'makes files',
            failure: 'An unexpected error stopped this encode. The cut is unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::File,
            atOnce: (int) config('crate.work.at_once'),
            delaysEnd: true,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $run = Run::query()->find($work->subject);
        if ($run === null) {
            return;
        }
        $sisters = $this->sisters->taken($work, $run, $this, $meter);
        if ($sisters === []) {
            $this->one($work, $meter, isAlone: true);

            return;
        }
        $make = fn (Work $one, Meter $own) => $this->one($one, $own, isAlone: false);
        $this->together->make([$work, ...$sisters], $this, $meter, $make);
    }

    /** @param  bool  $isAlone  how long it takes is its own time */
    private function one(Work $work, Meter $meter, bool $isAlone): void
    {
        $run = Run::query()->find($work->subject);
        if ($run === null) {
            return;
        }
        $this->answers->need($run);
        if ($this->wasFinished($run, $meter)) {
            return;
        }
        // What an earlier process finished before it was ended is there, and holds as long as its arguments are the same.
        $scratch = Scratch::kept(self::folder($run->id));
        self::discardLeftovers($run, FinishedFile::left($scratch));
        // Nothing is begun, and nothing written down, while there is no room.
        $this->room->need($run);
        $file = null;
        $journal = new RunJournal($run);
        $journal->begun($work->attempts, $this->capabilities);
        $isToGoOn = $staysFinished = false;
        try {
            CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
            $watch = SourceWatch::begin($run, $scratch);
            $stored = $this->stored($run);
            $plan = $stored->plan->onMachine($this->capabilities->hardware());
            $plan = $this->light->measure($plan, $run->cut->reading(), $run->source, $scratch, $meter);
            $plan = $this->leveller->level($plan, $run->cut->reading(), $run->source, $scratch, $meter);
            $passes = $this->passes->passes($plan, $run->cut->reading());
            $file = OutputFile::at($run->file, self::token($run).$work->attempts, $passes[0]->images !== null);
            $making = new Making($run, $file, $scratch, $meter, $journal);
            $joining = ! $isAlone ? null : $this->inParts->joining($making, $plan);
            [$plan, $made] = $this->makeSomehow($making, $plan, $joining === null ? $passes : [$joining]);
            $tries = 1;
            if ($plan->bitrate->average !== null) {
                [$made, $tries] = $this->aim($making, $plan, $made, $joining !== null);
            }
            $slip = $this->inspector->slip($run, $stored, $made, $file, $tries, $meter);
            CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
            $watch->need($run);
            // From here on the file may have its name: whoever takes over finds it by what the slip says.
            $written = ['slip' => $slip->toArray(), 'card' => Run::cardOf($run->plan, $slip->toArray())];
            Durably::write(fn () => $meter->write(fn () => $run->update($written)));
            $this->engine->putOnDisk($file->partial, $meter->check(...));
            $meter->hold(self::PUBLISH_LEASE_SECONDS);
            $meter->check();
            $path = $file->publish();
            $meter->write(fn () => self::recordPath($run, $path));
            $journal->made($path);
            // One that was taken up again took longer than its last owner had it.
            $isAlone && $work->attempts === 1 && $this->learn($run, $slip->madeIn);
        } catch (Stopped $e) {
            $this->queue->whileOwned($work, fn () => $run->update(['slip' => null]));
            $isToGoOn = true;
            $staysFinished = $meter->ending() !== Ending::Stopped && FinishedFile::left($scratch) === $file?->partial;
            $journal->ended($meter->ending() === Ending::Stopped ? 'Stopped.' : 'Put down: it goes on from its last finished pass.');
            throw $e;
        } catch (EngineStuck $e) {
            StuckEngine::note($run->id, $e);
            $file = null;
            $isToGoOn = true;
            $journal->ended($e->getMessage());
            throw $e;
        } catch (Refused $e) {
            $isOwned = $this->queue->whileOwned($work, fn () => $run->update(['slip' => null]));
            // A drive that went silent is what it came of, and nothing is to be touched there.
            $silent = $this->answers->missing($run);
            $file = $silent === null ? $file : null;
            // If another process owns the run now, it works in this folder.
            $isToGoOn = $silent !== null || ! $isOwned;
            $journal->ended(($silent ?? $e)->getMessage());
            throw $silent ?? $e;
        } finally {
            $staysFinished ? $file?->forgetOther() : $file?->discard();
            if (! $isToGoOn) {
                $scratch->remove();
                InParts::forget($run->id);
            }
        }
    }

    /** Removes what passes of a run gathered that is not made. */
    public static function forget(int $run): void
    {
        Scratch::forget(self::folder($run));
        InParts::forget($run);
    }

    /**
     * Removes what was made of a run beside its place, and was not given its name.
     *
     * @param  string|null  $but  path of what stays
     * @param  int  $minAge  seconds since the last write; younger files are kept
     */
    public static function discardLeftovers(Run $run, ?string $but = null, int $minAge = 0): void
    {
        StuckEngine::isThere($run->id) ?: OutputFile::discardLeftovers($run->file, self::token($run), $but, $minAge);
    }

    private static function token(Run $run): string
    {
        return "run{$run->id}-";
    }

    /** Name of the folder that its passes work in. */
    public static function folder(int $run): string
    {
        return "run-{$run}";
    }

    /**
     * Tries again where rate control came out too far from what was promised, and keeps the file that came nearest.
     *
     * @param  bool  $isJoined  it was made in parts
     * @return array{Made, int} of it, and how many were made
     */
    private function aim(Making $making, Plan $plan, Made $made, bool $isJoined): array
    {
        $file = $making->file;
        $aim = new Aim($plan);
        $attempts = [new Attempt($plan->bitrate->average, $made)];
        while (($average = $aim->next($attempts)) !== null) {
            $file->setAside();
            try {
                $making->journal->result("Rate control came out at another average than was promised: tried again at {$average}.");
                $joining = $isJoined ? $this->inParts->joining($making, $plan, $average) : null;
                $passes = $this->passes->passes($plan->aimedAt($average), $making->run->cut->reading());
                // What the first pass gathered holds for any average; of parts, nothing was gathered of the whole.
                $made = $this->make($making, $plan, match (true) {
                    $joining !== null => [$joining],
                    $isJoined => $passes,
                    default => [$passes[count($passes) - 1]],
                });
                $isJoined = $joining !== null;
            } catch (EngineFailed|FileProblem) {
                // There is no room for two, or no encoder goes as low: what there is stays.
                $file->takeBack();
                break;
            }
            $attempts[] = $last = new Attempt($average, $made);
            $aim->best($attempts) === $last ? $file->forgetOther() : $file->takeBack();
        }

        return [$aim->best($attempts)->made, count($attempts)];
    }

    /**
     * In one pass where the encoder refuses the average in two; what differs then is told.
     *
     * @param  non-empty-list<Pass>  $passes
     * @return array{Plan, Made} the plan that it was made by
     */
    private function makeSomehow(Making $making, Plan $plan, array $passes): array
    {
        try {
            return [$plan, $this->make($making, $plan, $passes)];
        } catch (EngineFailed $e) {
            if ($plan->bitrate->passes !== 2 || ! $e->isOfRate()) {
                throw $e;
            }
            $making->journal->result('Its encoder refuses this average in two passes: it is made in one.');
            $plan = $plan->inOnePass();

            return [$plan, $this->make($making, $plan, $this->passes->passes($plan, $making->run->cut->reading()))];
        }
    }

    /**
     * Runs passes that end with the whole work, and reads back what came out.
     *
     * @param  non-empty-list<Pass>  $passes
     */
    private function make(Making $making, Plan $plan, array $passes): Made
    {
        $making->meter->encoding();
        $begun = 100 - array_sum(array_map(fn (Pass $pass): int => $pass->weight, $passes));
        $this->runner->run($making, $passes, $begun);
        $making->meter->checking();
        $from = Clock::seconds();
        $made = $this->inspector->read($making->run, $plan, $making->file, $making->scratch, $making->meter);
        $making->journal->result('Read back and checked against the plan.', Clock::seconds() - $from);

        return $made;
    }

    /** Reads the stored plan. Values missing from it are added to the run's plan. */
    private function stored(Run $run): StoredPlan
    {
        $cut = $run->cut;
        if ($cut === null || CutFile::hasChanged($cut)) {
            throw new FileProblem(
                "The file of {$run->cut_name} has changed or gone since this was packed.",
                $run->source,
                'Read it again on its sheet, then pack again.',
            );
        }
        $todo = 'Pack it again from its sheet. What was planned stays on its slip.';
        if ($run->document === null) {
            throw new EngineFailed('This was packed by a version before 1.0, whose plans are not read any more.', $todo);
        }
        try {
            $stored = $this->documents->read($run->document, $cut->reading());
        } catch (UnreadableDocument $e) {
            throw new EngineFailed($e->getMessage(), $todo);
        }
        if ($stored->decidedNow !== []) {
            $now = array_intersect_key($stored->plan->toArray()['values'], array_flip($stored->decidedNow));
            $run->update(['plan' => array_replace_recursive($run->plan, ['values' => $now])]);
        }

        return $stored;
    }

    /** Whether an earlier owner was ended between giving the file its name and saying so. */
    private function wasFinished(Run $run, Meter $meter): bool
    {
        $path = $run->slip === null ? null : $this->inspector->published($run, $meter);
        if ($path === null) {
            return false;
        }
        self::discardLeftovers($run);
        self::forget($run->id);
        self::recordPath($run, $path);
        (new RunJournal($run))->made($path);

        return true;
    }

    /** Records the file's path. Earlier runs with the same path have lost their file, since no file is ever overwritten. */
    private static function recordPath(Run $run, string $path): void
    {
        $run->update(['file' => $path, 'gone_at' => null]);
        Delivery::note($run);
        $earlier = Run::query()->where('file', $run->getRawOriginal('file'))->where('id', '<>', $run->id)->whereNull('gone_at')
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Done))
            ->pluck('id')->all();
        Run::query()->whereKey($earlier)->update(['gone_at' => now()]);
        Delivery::setStored($earlier, false);
    }

    /** The file is there, whatever becomes of this. */
    private function learn(Run $run, float $seconds): void
    {
        try {
            $pixels = $run->plan['values']['frameSize']['width'] * $run->plan['values']['frameSize']['height'];
            if ($seconds > 1 && $run->slip['reading']['video'] !== [] && is_string($run->plan['speedKey'] ?? null)) {
                Speed::learn($run->plan['speedKey'], (int) max(1, $run->slip['frames'] * $pixels / $seconds));
            }
        } catch (Throwable $e) {
            report($e);
        }
    }
}
