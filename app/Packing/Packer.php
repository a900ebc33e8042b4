<?php

namespace App\Packing;

use App\Engine\Engine;
use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Jobs\MakeOutput;
use App\Media\CutReader;
use App\Media\FileProblem;
use App\Media\MovieTags;
use App\Media\OutputFile;
use App\Models\Cut;
use App\Models\Run;
use App\Models\RunState;
use App\Models\Speed;
use App\Planning\Planning;
use Closure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use OuterCrate\Checks\Severity;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Formats\Video\NoPicture;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Slips\Comparison;
use OuterCrate\Slips\PacketTally;
use OuterCrate\Slips\Slip;
use Throwable;

/** Makes files from plans: freezes plans into runs, and turns a run into a checked file with its slip. */
class Packer
{
    public function __construct(
        private readonly Engine $engine,
        private readonly CutReader $reader,
        private readonly PassBuilder $passes,
        private readonly Planning $planning,
    ) {
    }

    /**
     * Freezes the plans into waiting runs. Says beforehand what can be known to fail; then nothing is queued.
     *
     * @param  list<Plan>  $plans
     * @param  bool  $dispatch  hand them to the queue's worker; otherwise the caller makes them itself
     * @return Collection<int, Run>
     *
     * @throws PackRefused
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function queue(Cut $cut, array $plans, string $folder, bool $dispatch = true): Collection
    {
        $reading = $cut->reading();
        $this->refuseWhatCannotWork($cut, $plans, $folder);
        $pack = (string) Str::uuid7();

        // Described before the transaction: it reads much, and others wait while it holds the lock.
        $rows = array_map(fn (Plan $plan): array => [
            'pack' => $pack,
            'cut_id' => $cut->id,
            'cut_name' => $cut->name,
            'source' => $cut->path,
            'name' => $plan->spec->host->name ?? $plan->spec->preset->role->value,
            'file' => rtrim($folder, '/').'/'.$plan->file->path(),
            'state' => RunState::Waiting,
            'plan' => $this->planning->describe($plan, $reading) + ['speedKey' => TimeEstimate::key($plan)],
            'passes' => array_map(fn (Pass $pass): array => $pass->toArray(), $this->passes->passes($plan, $reading)),
        ], $plans);

        return DB::transaction(function () use ($rows, $dispatch): Collection {
            $runs = new Collection;
            foreach ($rows as $row) {
                $runs->push($run = Run::query()->create($row));
                if ($dispatch) {
                    MakeOutput::dispatch($run->id)->beforeCommit();
                }
            }

            return $runs;
        });
    }

    /**
     * Makes the file of a waiting run. Ends with the run done, stopped or failed, and never with half a file.
     *
     * @param  Closure(): bool|null  $interrupted  true once this process is to end; the run then goes back to waiting
     * @param  Closure(Run): void|null  $onProgress
     *
     * @throws Interrupted
     */
    public function make(Run $run, ?Closure $interrupted = null, ?Closure $onProgress = null): void
    {
        $claimed = Run::query()->whereKey($run->id)->where('state', RunState::Waiting)->where('stop_asked', false)
            ->update(['state' => RunState::Running, 'started_at' => now(), 'percent' => 0, 'frames' => 0]);
        $run->refresh();
        if ($claimed === 0) {
            return;
        }
        $work = config('crate.derived')."/work/{$run->id}";
        $file = null;
        try {
            OutputFile::needFolder($work);
            $file = OutputFile::at($run->file, "run{$run->id}", isset($run->passes[0]['images']));
            $this->encode($run, $file, $work, $interrupted ?? fn (): bool => false, $onProgress);
            $run->update(['state' => RunState::Checking, 'seconds_left' => null]);
            $onProgress === null ?: $onProgress($run);
            $slip = isset($run->passes[0]['images']) ? $this->checkImages($run, $file->partial) : $this->check($run, $file->partial);
            $path = $file->publish();
            $run->update(['state' => RunState::Done, 'percent' => 100, 'file' => $path, 'slip' => $slip->toArray(), 'ended_at' => now()]);
            $this->learn($run, $slip);
        } catch (Interrupted $e) {
            $run->update(['state' => RunState::Waiting, 'percent' => 0, 'frames' => 0, 'seconds_left' => null, 'started_at' => null]);
            throw $e;
        } catch (Stopped) {
            $run->update(['state' => RunState::Stopped, 'seconds_left' => null, 'ended_at' => now()]);
        } catch (EngineFailed|FileProblem|Unreadable $e) {
            $this->fail($run, $e instanceof Unreadable ? 'The finished file could not be read back: '.$e->getMessage() : $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->fail($run, 'Something broke inside Outer Crate while this file was made. storage/logs says more; the cut is untouched.');
        } finally {
            $file?->discard();
            File::deleteDirectory($work);
        }
    }

    /** After a crash: what was under way is said to have failed, and its unfinished files are removed. */
    public function recover(): int
    {
        $cut = Run::query()->whereIn('state', [RunState::Running, RunState::Checking])->get();
        foreach ($cut as $run) {
            OutputFile::at($run->file, "run{$run->id}")->discard();
            File::deleteDirectory(config('crate.derived')."/work/{$run->id}");
            $this->fail($run, 'Outer Crate ended while this file was being made. The unfinished file was removed; pack again.');
        }

        return $cut->count();
    }

    /** @param  list<Plan>  $plans */
    private function refuseWhatCannotWork(Cut $cut, array $plans, string $folder): void
    {
        if ($this->engine->capabilities() === []) {
            throw EngineFailed::missing((string) config('crate.engine.encoder'));
        }
        if ($plans === []) {
            throw new PackRefused('There is nothing to make. Add an output first.');
        }
        if ($cut->hasChanged()) {
            throw new PackRefused("The file of {$cut->name} has changed or gone since it was read. Open its sheet to point to it or to read it again.");
        }
        foreach ($plans as $plan) {
            foreach ($plan->findings as $finding) {
                if ($finding->severity === Severity::Stop) {
                    throw new PackRefused("{$plan->spec->preset->name}: {$finding->text}");
                }
            }
        }
        OutputFile::needFolder($folder);
    }

    private function encode(Run $run, OutputFile $file, string $work, Closure $interrupted, ?Closure $onProgress): void
    {
        $meter = new RunMeter($run);
        $stopAsked = fn (): bool => (bool) Run::query()->whereKey($run->id)->value('stop_asked');
        $lastLook = 0.0;
        foreach ($run->passes as $pass) {
            $this->engine->encode(
                $run->source,
                $pass['input'] ?? [],
                $pass['arguments'],
                $pass['writes'] ? $file->target($pass['images'] ?? null) : null,
                $work,
                function ($progress) use ($meter, $pass, $run, $onProgress): void {
                    if ($meter->note($progress, $pass['weight'])) {
                        $onProgress === null ?: $onProgress($run);
                    }
                },
                function () use (&$lastLook, $stopAsked, $interrupted): bool {
                    if ($interrupted()) {
                        throw new Interrupted('The worker is ending.');
                    }
                    if (microtime(true) - $lastLook < 0.4) {
                        return false;
                    }
                    $lastLook = microtime(true);

                    return $stopAsked();
                },
            );
            $meter->endPass($pass['weight']);
            if (($pass['boxes'] ?? '') !== '') {
                MovieTags::put($file->partial, base64_decode($pass['boxes']));
            }
        }
    }

    private function check(Run $run, string $partial): Slip
    {
        $reading = $this->reader->read($partial, $run->plan['values']['picture']['codec'] !== NoPicture::ID)['reading'];
        $tally = new PacketTally($reading->mainVideo()->index ?? -1);
        $this->engine->packets($partial, $tally->take(...));

        return new Slip(
            $reading,
            $tally,
            (string) hash_file('sha256', $partial),
            (new Comparison)->differences($run->plan, $reading, $tally),
            max(0.0, (float) $run->started_at?->diffInMilliseconds(now()) / 1000),
        );
    }

    /** A folder of images is read as the cut that they make up; its checksum is that of the list of theirs, which lies in it. */
    private function checkImages(Run $run, string $folder): Slip
    {
        $images = array_values(array_diff(scandir($folder) ?: [], ['.', '..']));
        $sums = array_map(fn (string $name): string => hash_file('sha256', "{$folder}/{$name}")."  {$name}\n", $images);
        file_put_contents("{$folder}/SHA256SUMS", $sums);
        $reading = $this->reader->readImages($folder, $images, (string) $run->plan['values']['frameRate']['rate']);
        $tally = new PacketTally(0);
        foreach ($images as $i => $name) {
            $tally->take("0,{$i},{$i},".filesize("{$folder}/{$name}").',K_');
        }

        return new Slip(
            $reading,
            $tally,
            (string) hash_file('sha256', "{$folder}/SHA256SUMS"),
            (new Comparison)->differences($run->plan, $reading, $tally),
            max(0.0, (float) $run->started_at?->diffInMilliseconds(now()) / 1000),
        );
    }

    private function learn(Run $run, Slip $slip): void
    {
        $video = $slip->reading->mainVideo();
        if ($video !== null && $slip->madeIn > 1 && is_string($run->plan['speedKey'] ?? null)) {
            Speed::learn($run->plan['speedKey'], (int) max(1, $slip->tally->frames * $video->size->pixels() / $slip->madeIn));
        }
    }

    private function fail(Run $run, string $message): void
    {
        $run->update(['state' => RunState::Failed, 'error' => $message, 'seconds_left' => null, 'ended_at' => now()]);
    }
}
