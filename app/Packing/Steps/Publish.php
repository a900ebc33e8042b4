<?php

namespace App\Packing\Steps;

use App\Engine\Runner;
use App\Models\Delivery;
use App\Models\Run;
use App\Models\Speed;
use App\Models\WorkState;
use App\Packing\Inspection\Inspector;
use App\Packing\Run\FileInProgress;
use App\Packing\Run\RunFolder;
use App\Packing\Run\RunJournal;
use App\Work\Meter;
use Illuminate\Database\Eloquent\Builder;
use Throwable;

/** Puts the file on disk and gives it its name. */
class Publish implements Step
{
    /** Lease while the finished file is renamed: no other worker may take over the run in between. */
    private const LEASE_SECONDS = 60;

    public function __construct(private readonly Runner $engine, private readonly Inspector $inspector)
    {
    }

    public function run(FileInProgress $file): void
    {
        $meter = $file->meter;
        $this->engine->putOnDisk($file->output()->partial, $meter->check(...));
        $meter->hold(self::LEASE_SECONDS);
        $meter->check();
        $path = $file->output()->publish();
        $meter->write(fn () => self::record($file->run, $path));
        $file->journal->made($path);
        // A resumed run took longer than its last attempt.
        if ($file->isAlone && $file->work->attempts === 1) {
            self::learnSpeed($file->run);
        }
    }

    /** Whether an earlier process published the file but could not record it. Records it now. */
    public function isDone(Run $run, Meter $meter): bool
    {
        $path = $run->slip === null ? null : $this->inspector->published($run, $meter);
        if ($path === null) {
            return false;
        }
        RunFolder::discardLeftovers($run);
        RunFolder::forget($run->id);
        self::record($run, $path);
        (new RunJournal($run))->made($path);

        return true;
    }

    /** Records the file's path. Earlier runs with the same path have lost their file, since no file is ever overwritten. */
    private static function record(Run $run, string $path): void
    {
        $run->update(['file' => $path, 'gone_at' => null]);
        Delivery::note($run);
        $earlier = Run::query()->where('file', $run->getRawOriginal('file'))->where('id', '<>', $run->id)->whereNull('gone_at')
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Done))
            ->pluck('id')->all();
        Run::query()->whereKey($earlier)->update(['gone_at' => now()]);
        Delivery::setStored($earlier, false);
    }

    /** A failure here is only reported, since the file is finished. */
    private static function learnSpeed(Run $run): void
    {
        try {
            $seconds = (float) $run->slip['madeIn'];
            $pixels = $run->plan['values']['frameSize']['width'] * $run->plan['values']['frameSize']['height'];
            if ($seconds > 1 && $run->slip['reading']['video'] !== [] && is_string($run->plan['speedKey'] ?? null)) {
                Speed::learn($run->plan['speedKey'], (int) max(1, $run->slip['frames'] * $pixels / $seconds));
            }
        } catch (Throwable $e) {
            report($e);
        }
    }
}
