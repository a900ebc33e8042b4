<?php

namespace App\Packing\Segments;

use App\Engine\Capabilities;
use App\Engine\Clock;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\CutFile;
use App\Media\Scratch;
use App\Models\Part;
use App\Models\Run;
use App\Models\Work;
use App\Packing\Run\RunFolder;
use App\Packing\Run\RunJournal;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\OncePerMachine;
use App\Work\Priority;
use App\Work\WorkerGroup;
use Closure;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\Progress;
use OuterCrate\Units\Bitrate;

/** Makes a part of a file that is encoded in parts. */
class MakePart implements Kind, OncePerMachine
{
    public function __construct(
        private readonly Runner $runner,
        private readonly PassBuilder $passes,
        private readonly Capabilities $capabilities,
        private readonly PlanDocument $documents,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Part::WORK,
            does: 'makes parts of files',
            failure: 'An unexpected error stopped this part of an encode. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::PartOfFile,
        );
    }

    public function fills(): array
    {
        return [Part::WORK, Run::WORK];
    }

    public function run(Work $work, Meter $meter): void
    {
        $part = Part::query()->with('run.cut')->find($work->subject);
        if ($part?->run?->cut === null) {
            return;
        }
        $this->make($part, $work->attempts, $meter, $meter->shouldStop(...), $meter->isPaused(...));
    }

    /**
     * @param  Closure(): bool  $shouldStop
     * @param  Closure(): bool  $isPaused
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function make(Part $part, int $attempt, Meter $meter, Closure $shouldStop, Closure $isPaused): void
    {
        $scratch = RunFolder::open($part->run_id);
        $file = $part->file();
        if ($scratch->holds($file)) {
            return;
        }
        $run = $part->run;
        CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
        $reading = $run->cut->reading();
        try {
            $whole = $this->documents->read($part->plan, $reading)->plan;
        } catch (UnreadableDocument $e) {
            throw new EngineFailed($e->getMessage(), 'Start Outer Crate of the same version on every machine.');
        }
        $frames = $part->range()->count();
        $plan = $whole->onMachine($this->capabilities->hardware())
            ->ofRange($part->range(), $frames, $whole->frameRate->rate->secondsOf($frames));
        $plan = $part->average === null ? $plan : $plan->aimedAt(new Bitrate($part->average));
        // Two may be at it: one that was taken for gone, and the one that took over.
        $own = Scratch::named(RunFolder::name($part->run_id)."/{$file}.{$attempt}");
        $gathered = $part->gathered?->file();
        $pass = $part->pass === Part::GATHERS
            ? $this->passes->partGathered($plan, $reading)
            : $this->passes->part($plan, $reading, $part->full);
        $command = EncodeCommand::of($pass, $run->source, $pass->writes ? "{$own->path}/{$file}" : null);
        $from = Clock::seconds();
        $onProgress = fn (Progress $progress) => $meter->note(
            $progress->shareOf($frames, $plan->duration->toFloat()),
            ['frames' => $progress->frames, 'speed' => $progress->framesPerSecond],
            $progress->ended,
        );
        try {
            $gathered === null ?: $scratch->alsoAsAll("{$gathered}.", basename($own->path));
            $said = $this->runner->encode($command, $own->path, $onProgress, $shouldStop, $isPaused);
            // What a second pass was given stays where it is.
            $isGiven = fn (string $name): bool => $gathered !== null && str_starts_with($name, Pass::STATISTICS);
            foreach (array_diff($own->names(), [$file]) as $name) {
                $isGiven($name) ?: $own->moveTo($name, "{$scratch->path}/{$file}.{$name}");
            }
            $pass->writes ?: $own->mark($file);
            // Last: what has its name is whole.
            $own->moveTo($file, "{$scratch->path}/{$file}");
        } finally {
            $own->remove();
        }
        (new RunJournal($run))->command($command, (string) config('crate.engine.encoder'), $said, Clock::seconds() - $from);
    }
}
