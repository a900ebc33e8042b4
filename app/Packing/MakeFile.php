<?php

namespace App\Packing;

use App\Configuration\WorkSettings;
use App\Engine\Capabilities;
use App\Engine\EngineStuck;
use App\Engine\Stopped;
use App\Models\Run;
use App\Models\Work;
use App\Packing\Run\DriveAnswers;
use App\Packing\Run\FileInProgress;
use App\Packing\Run\FinishedFile;
use App\Packing\Run\Room;
use App\Packing\Run\RunFolder;
use App\Packing\Run\StuckEngine;
use App\Packing\Shared\SharedDecodeGroup;
use App\Packing\Steps\Encode;
use App\Packing\Steps\Prepare;
use App\Packing\Steps\Publish;
use App\Packing\Steps\Step;
use App\Packing\Steps\Verify;
use App\Work\Declaration;
use App\Work\Ending;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use App\Work\WorkQueue;
use OuterCrate\Refusals\Refused;
use Throwable;

/** Makes the file of a run in steps. The file has a temporary name until the last step renames it. */
class MakeFile implements Kind
{
    /** @var list<Step> */
    private readonly array $steps;

    public function __construct(
        Prepare $prepare,
        Encode $encode,
        Verify $verify,
        private readonly Publish $publish,
        private readonly SharedDecodeGroup $group,
        private readonly Capabilities $capabilities,
        private readonly DriveAnswers $answers,
        private readonly Room $room,
        private readonly WorkQueue $queue,
    ) {
        $this->steps = [$prepare, $encode, $verify, $publish];
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Run::WORK,
            does: 'makes files',
            failure: 'An unexpected error stopped this encode. The cut is unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::File,
            atOnce: app(WorkSettings::class)->runsAtOnce,
            delaysEnd: true,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $run = Run::query()->find($work->subject);
        if ($run === null) {
            return;
        }
        $others = $this->group->claimed($work, $run, $this, $meter);
        if ($others === []) {
            $this->make($work, $meter, isAlone: true);

            return;
        }
        $make = fn (Work $one, Meter $own) => $this->make($one, $own, isAlone: false);
        $this->group->make([$work, ...$others], $this, $meter, $make);
    }

    private function make(Work $work, Meter $meter, bool $isAlone): void
    {
        $run = Run::query()->find($work->subject);
        if ($run === null) {
            return;
        }
        $this->answers->need($run);
        if ($this->publish->isDone($run, $meter)) {
            return;
        }
        // Passes that an earlier process finished are reused if their arguments are the same.
        $file = new FileInProgress($run, $work, RunFolder::open($run->id), $meter, $isAlone);
        RunFolder::discardLeftovers($run, FinishedFile::left($file->scratch));
        // A run that waits for disk space has no log entry yet.
        $this->room->need($run);
        $file->journal->begun($work->attempts, $this->capabilities);
        try {
            foreach ($this->steps as $step) {
                $step->run($file);
            }
        } catch (Stopped $e) {
            $this->stopped($file);
            throw $e;
        } catch (EngineStuck $e) {
            StuckEngine::note($run->id, $e);
            $this->keepAll($file);
            $file->journal->ended($e->getMessage());
            throw $e;
        } catch (Refused $e) {
            throw $this->refused($file, $e);
        } finally {
            $file->letGo();
        }
    }

    private function stopped(FileInProgress $file): void
    {
        $this->queue->whileOwned($file->work, fn () => $file->run->update(['slip' => null]));
        $isForGood = $file->meter->ending() === Ending::Stopped;
        $file->goesOn = true;
        $file->isTakenOver = ! $isForGood && FinishedFile::left($file->scratch) === $file->output?->partial;
        $file->journal->ended($isForGood ? 'Stopped.' : 'Put down: it goes on from its last finished pass.');
    }

    /** @return Throwable to throw in its place */
    private function refused(FileInProgress $file, Refused $e): Throwable
    {
        $isOwned = $this->queue->whileOwned($file->work, fn () => $file->run->update(['slip' => null]));
        $silent = $this->answers->missing($file->run);
        if ($silent !== null) {
            $this->keepAll($file);
        }
        // If another process owns the run now, it works in this folder.
        $file->goesOn = $file->goesOn || ! $isOwned;
        $file->journal->ended(($silent ?? $e)->getMessage());

        return $silent ?? $e;
    }

    /** A drive does not answer, so nothing on it is removed. */
    private function keepAll(FileInProgress $file): void
    {
        $file->output = null;
        $file->goesOn = true;
    }
}
