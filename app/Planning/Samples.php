<?php

namespace App\Planning;

use App\Engine\Engine;
use App\Engine\EngineFailed;
use App\Engine\Limits;
use App\Engine\Stopped;
use App\Jobs\SamplePieces;
use App\Media\OutputFile;
use App\Models\Cut;
use App\Models\Run;
use App\Models\RunState;
use App\Models\Sample;
use App\Models\Speed;
use App\Packing\Interrupted;
use Closure;
use Illuminate\Support\Facades\File;
use OuterCrate\Analysis\Found;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\Sampling\Piece;
use OuterCrate\Estimates\Sampling\PieceResult;
use OuterCrate\Estimates\Sampling\Pieces;
use OuterCrate\Estimates\Sampling\Sample as Sampled;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** What plans come to whose size depends on the picture: a few pieces are encoded in the background, and the result is kept. */
class Samples
{
    /** Seconds after which nobody waits for a sample any more: a sheet that is open asks again every second. */
    public const STALE = 5;

    /** Days that a result is kept; by then a cut has been delivered, or the machine is another one. */
    private const KEPT = 60;

    public function __construct(private readonly PassBuilder $passes, private readonly Engine $engine)
    {
    }

    /** @return Closure(Plan): ?Sampled */
    public function known(Cut $cut, Reading $reading): Closure
    {
        $known = null;

        return function (Plan $plan) use ($cut, $reading, &$known): ?Sampled {
            $known ??= Sample::query()->where('cut_id', $cut->id)->whereNotNull('result')->get(['key', 'result'])->keyBy('key');

            return $known->isEmpty() || ! $plan->hasPicture() ? null : $known->get($this->passes->sampleKey($plan, $reading))?->sampled();
        };
    }

    /**
     * Asks for a sample of each plan that has none and would gain by it: in the figure for its size, or in that for the time it
     * takes, which no run on this machine has taught yet.
     *
     * @param  list<Plan>  $plans
     * @return list<bool> by plan: whether one is under way
     */
    public function want(Cut $cut, Reading $reading, array $plans): array
    {
        $now = now()->format('Y-m-d H:i:s.v');
        $timed = Speed::query()->pluck('key')->all();

        return array_map(function (Plan $plan) use ($cut, $reading, $now, $timed): bool {
            $gains = Sampling::isWorthwhile($plan) || ($plan->hasPicture() && ! in_array(TimeEstimate::key($plan), $timed, true));
            if ($plan->sample !== null || $plan->isStopped() || ! $gains || $cut->hasChanged()) {
                return false;
            }
            $output = ['preset' => $plan->spec->preset->slug, 'host' => $plan->spec->host?->slug, 'edits' => $plan->spec->edits->rules, 'range' => ['first' => $plan->range->first, 'last' => $plan->range->last]];
            $sample = Sample::query()->firstOrCreate(['cut_id' => $cut->id, 'key' => $this->passes->sampleKey($plan, $reading)], ['output' => $output, 'wanted_at' => $now]);
            if ($sample->wasRecentlyCreated) {
                SamplePieces::dispatch();
            } elseif ($sample->result === null) {
                $sample->update(['wanted_at' => $now]);
            }

            return $sample->result === null;
        }, $plans);
    }

    /** The one that was asked for last; what nobody waits for any more is forgotten. */
    public function next(): ?Sample
    {
        Sample::query()->whereNull('result')->where('wanted_at', '<', now()->subSeconds(self::STALE)->format('Y-m-d H:i:s.v'))->delete();

        Sample::query()->where('created_at', '<', now()->subDays(self::KEPT))->delete();

        return Sample::query()->whereNull('result')->orderByDesc('wanted_at')->first();
    }

    /**
     * @param  Closure(): bool  $ending  true once this process is to end
     *
     * @throws Interrupted when it is to be taken up again later
     */
    public function make(Sample $sample, Plan $plan, Closure $ending): void
    {
        try {
            $sampled = $this->sample($sample->cut->path, $sample->cut->reading(), $sample->cut->found(), $plan, $ending);
            $sample->update(['result' => get_object_vars($sampled)]);
        } catch (EngineFailed) {
            // The estimate stays the rough one; a run will say what the engine does not like.
            $sample->update(['result' => false]);
        } catch (Stopped) {
            throw new Interrupted('The worker ends.');
        }
    }

    /**
     * @param  Closure(): bool  $ending
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function sample(string $path, Reading $reading, ?Found $found, Plan $plan, ?Closure $ending = null): Sampled
    {
        $pieces = Pieces::of($plan, $reading, $found);
        $folder = config('crate.derived').'/work/sample-'.bin2hex(random_bytes(4));
        OutputFile::needFolder($folder);
        try {
            $shared = self::isBusy();
            $encode = fn (Plan $plan, array $pieces): array => array_map(fn (Piece $piece): PieceResult => $this->encode($path, $plan, $reading, $piece, $folder, $ending ?? fn (): bool => false), $pieces);
            $sampled = Sampling::conclude($plan, $pieces, $encode($plan, $pieces));
            $ample = count($pieces) === 1 ? null : Sampling::ample($plan, $sampled);
            if ($ample !== null) {
                $more = Pieces::more($plan, $reading, $found);
                try {
                    $sampled = Sampling::concludeAmple($plan, $sampled, $more, $encode($ample, $more));
                } catch (EngineFailed) {
                    // Not every encoder takes that much: the figure of the plan's own pieces stands.
                }
            }

            return $shared || self::isBusy() ? $sampled->untimed() : $sampled;
        } finally {
            File::deleteDirectory($folder);
        }
    }

    private function encode(string $path, Plan $plan, Reading $reading, Piece $piece, string $folder, Closure $shouldStop): PieceResult
    {
        $video = $reading->mainVideo();
        $whole = $piece->frames->equals($plan->range);
        $length = $whole ? $plan->duration : $video->frameRate->secondsOf($piece->frames->count());
        $frames = $whole ? $plan->frames : max(1, $plan->frameRate->rate->framesIn($length));
        $file = "{$folder}/piece.nut";
        $begun = hrtime(true);
        foreach ($this->passes->sample($plan->ofRange($piece->frames, $frames, $length), $reading) as $pass) {
            $this->engine->encode($path, $pass->input, $pass->arguments, $pass->writes ? $file : null, $folder, fn () => null, $shouldStop, Limits::forSamples());
        }
        $seconds = (hrtime(true) - $begun) / 1e9;
        $counts = ['K' => [0, 0], 'other' => [0, 0], 'sound' => [0, 0]];
        $halves = array_fill(0, max(1, (int) ceil(2 * $length->toFloat())), 0);
        $this->engine->packets($file, function (string $line) use (&$counts, &$halves): void {
            $fields = explode(',', trim($line));
            if (count($fields) >= 5) {
                $kind = $fields[0] !== '0' ? 'sound' : (str_contains($fields[4], 'K') ? 'K' : 'other');
                $counts[$kind][0]++;
                $counts[$kind][1] += (int) $fields[3];
                if ($kind !== 'sound') {
                    $halves[max(0, min(count($halves) - 1, (int) (2 * (float) $fields[1])))] += (int) $fields[3];
                }
            }
        });

        return new PieceResult($counts['K'][0] + $counts['other'][0], $counts['K'][0], $counts['K'][1], $counts['other'][1], $seconds, $counts['sound'][1], $length->toFloat(), array_values($halves));
    }

    /**
     * A run shares the machine with the pieces, and the time that they take says little.
     *
     * @phpstan-impure
     */
    private static function isBusy(): bool
    {
        return Run::query()->whereIn('state', [RunState::Running, RunState::Checking])->exists();
    }
}
