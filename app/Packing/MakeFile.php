<?php

namespace App\Packing;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\FileProblem;
use App\Media\MovieTags;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;
use App\Models\Speed;
use App\Models\Work;
use App\Work\Kind;
use App\Work\Meter;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\Progress;
use OuterCrate\Json\Freezer;
use OuterCrate\Planning\Plan;
use OuterCrate\Refusals\Refused;
use Throwable;

/** Makes the file of a run: encodes it beside its place, reads it back, and gives it its name. Never half a file is seen. */
class MakeFile implements Kind
{
    /** Seconds that a large file may take to reach the disk, during which nothing is heard of it. */
    private const FLUSH = 900;

    public function __construct(
        private readonly Runner $runner,
        private readonly Capabilities $capabilities,
        private readonly PassBuilder $passes,
        private readonly Inspector $inspector,
    ) {
    }

    public function name(): string
    {
        return Run::WORK;
    }

    public function priority(): int
    {
        return 30;
    }

    public function givesWay(): bool
    {
        return false;
    }

    public function staleAfter(): ?int
    {
        return null;
    }

    public function brokeDown(): string
    {
        return 'Something broke inside Outer Crate while this file was made. storage/logs says more; the cut is untouched.';
    }

    public function run(Work $work, Meter $meter): void
    {
        $run = Run::query()->find($work->subject);
        if ($run === null || $this->wasFinished($run, $meter)) {
            return;
        }
        $token = "run{$run->id}-";
        $file = null;
        $scratch = Scratch::named("run-{$run->id}");
        try {
            OutputFile::discardLeftovers($run->file, $token);
            $passes = $this->passesOf($run);
            $images = $passes[0]->images !== null;
            $file = OutputFile::at($run->file, $token.$work->attempts, $images);
            $this->encode($run, $passes, $file, $scratch->path, $meter);
            $meter->checking();
            $slip = $this->inspector->slip($run, $file, $images, $meter);
            // From here on the file may have its name: whoever takes over finds it by what the slip says.
            $run->update(['slip' => $slip->toArray()]);
            $meter->hold(self::FLUSH);
            $path = $file->publish();
            $run->update(['file' => $path]);
            $this->learn($run, $slip->madeIn);
        } catch (Stopped|Refused $e) {
            $run->update(['slip' => null]);
            throw $e;
        } finally {
            $file?->discard();
            $scratch->remove();
        }
    }

    /**
     * The passes over the cut, built here and now: for what this machine has.
     *
     * @return non-empty-list<Pass>
     */
    private function passesOf(Run $run): array
    {
        $cut = $run->cut;
        if ($cut === null || $cut->hasChanged()) {
            throw new FileProblem(
                "The file of {$run->cut_name} has changed or gone since this was packed.",
                $run->source,
                'Read it again on its sheet, then pack again.',
            );
        }
        if ($run->frozen === null) {
            return array_map(Pass::fromArray(...), $run->passes ?? []) ?: throw new EngineFailed('This run holds no plan.', 'Pack again.');
        }
        try {
            $plan = Freezer::thaw($run->frozen);
        } catch (Throwable $e) {
            report($e);
            $plan = null;
        }
        if (! $plan instanceof Plan) {
            throw new EngineFailed('This run was planned by another version of Outer Crate.', 'Pack again.');
        }

        return $this->passes->passes($plan->onMachine($this->capabilities->hardware()), $cut->reading());
    }

    /** @param  non-empty-list<Pass>  $passes */
    private function encode(Run $run, array $passes, OutputFile $file, string $folder, Meter $meter): void
    {
        $frames = max(1, (int) $run->plan['frames']);
        $seconds = max(0.001, Plan::secondsOf($run->plan));
        $begun = 0;
        foreach ($passes as $pass) {
            $onProgress = function (Progress $progress) use ($meter, $pass, $frames, $seconds, $begun): void {
                $share = $progress->shareOf($frames, $seconds);
                $more = ['frames' => (int) round($frames * $share), 'speed' => $progress->framesPerSecond];
                $meter->note(($begun + $pass->weight * $share) / 100, $more, $progress->ended);
            };
            $target = $pass->writes ? $file->target($pass->images) : null;
            $this->runner->encode(EncodeCommand::of($pass, $run->source, $target), $folder, $onProgress, $meter->shouldStop(...));
            $begun += $pass->weight;
            if ($pass->boxes !== '') {
                MovieTags::put($file->partial, $pass->boxes, $meter->check(...));
            }
        }
    }

    /** Whether an earlier owner was ended between giving the file its name and saying so. */
    private function wasFinished(Run $run, Meter $meter): bool
    {
        $path = $run->slip === null ? null : $this->inspector->published($run, $meter);
        if ($path === null) {
            return false;
        }
        $run->update(['file' => $path]);

        return true;
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
