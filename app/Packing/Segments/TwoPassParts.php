<?php

namespace App\Packing\Segments;

use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\Scratch;
use App\Models\Part;
use App\Packing\Run\FileInProgress;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Encoding\BufferAcross;
use OuterCrate\Encoding\PartRate;
use OuterCrate\Encoding\RateCurve;
use OuterCrate\Encoding\Statistics;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Units\Bitrate;

/** Makes parts in two passes. The first passes of all parts decide the average of each. */
class TwoPassParts
{
    /** Share of the whole work that is done when all parts have been through the first pass. */
    private const GATHERED = 0.34;

    /** How often parts are encoded again because they overrun the decoder's buffer. */
    private const MAX_REPEATS = 2;

    /** Share of the buffer's measured level that such a part may use. */
    private const SAFE = 0.9;

    public function __construct(private readonly PartRound $round, private readonly CutReader $reader)
    {
    }

    /**
     * @param  Plan  $plan  with the average that is aimed at
     * @param  Collection<int, Part>  $gathered  for the first pass
     * @param  float  $share  of the whole work that is done when all parts are written
     * @return Collection<int, Part>|null null if a part failed, or if its average could not be planned
     *
     * @throws Stopped
     */
    public function make(FileInProgress $file, Plan $plan, Collection $gathered, float $share): ?Collection
    {
        if (! $this->round->make($gathered, $file, new PartStage(0.0, self::GATHERED, 1, 3))) {
            return null;
        }
        $parts = $this->planned($file, $plan, $gathered);
        $writing = new PartStage(self::GATHERED, $share, 2, 3);
        for ($repeats = 0; $parts !== null && $this->round->make($parts, $file, $writing); $repeats++) {
            $over = BufferAcross::overrun($this->sizes($file, $parts), $plan->bitrate, $plan->frameRate->rate);
            if ($over === null) {
                return $parts;
            }
            if ($repeats === self::MAX_REPEATS) {
                return null;
            }
            [$place, $full] = $over;
            $file->journal->result(sprintf(
                'Part %d takes more out of a decoder’s buffer than those before it leave: made again with %.0f %% of it.',
                $place + 1,
                100 * self::SAFE * $full,
            ));
            $this->write($plan, $gathered[$place], new PartRate((int) $parts[$place]->average, self::SAFE * $full));
            $file->scratch->remove($parts[$place]->file());
            $parts = $this->written($plan, $gathered);
        }

        return null;
    }

    /**
     * Removes the parts of an earlier average to free disk space. The joined file contains them.
     *
     * @param  Collection<int, Part>  $gathered
     */
    public function removeWritten(FileInProgress $file, Collection $gathered): void
    {
        $names = Part::query()->whereIn('gathered_id', $gathered->modelKeys())->get()->map(fn (Part $part): string => $part->file());
        $names->isEmpty() ?: $file->scratch->remove(...array_values($names->all()));
    }

    /**
     * @param  Collection<int, Part>  $parts
     * @return list<list<int>> bytes of each frame of each part
     */
    private function sizes(FileInProgress $file, Collection $parts): array
    {
        return array_values($parts->map(fn (Part $part): array => array_map(
            fn (Packet $packet): int => $packet->bytes,
            $this->reader->picture("{$file->scratch->path}/{$part->file()}"),
        ))->all());
    }

    /**
     * The parts to write, each with its average.
     *
     * @param  Collection<int, Part>  $gathered
     * @return Collection<int, Part>|null null if the statistics of the first passes cannot be read
     */
    private function planned(FileInProgress $file, Plan $plan, Collection $gathered): ?Collection
    {
        $there = $this->written($plan, $gathered);
        if ($there->count() === $gathered->count()) {
            return $there;
        }
        $perSecond = $plan->frameRate->rate->perSecond->toFloat();
        // One part at a time: the frames of a long one fill the memory.
        $seconds = array_values($gathered->map(
            fn (Part $part): ?array => self::statistics($file->scratch, $part)?->seconds($perSecond),
        )->all());
        if ($seconds === [] || in_array(null, $seconds, true)) {
            return null;
        }
        $rates = RateCurve::of($seconds, $plan->bitrate, $perSecond);
        $told = array_map(fn (PartRate $rate): string => (string) new Bitrate($rate->average), $rates);
        $file->journal->result('Average of each part: '.implode(', ', $told).'.');
        $gathered->values()->each(fn (Part $part, int $i) => $this->write($plan, $part, $rates[$i]));

        return $this->written($plan, $gathered);
    }

    private static function statistics(Scratch $scratch, Part $gathered): ?Statistics
    {
        $names = array_map(fn (string $name): string => "{$gathered->file()}.{$name}", Statistics::FILES);
        $there = array_values(array_filter($names, $scratch->holds(...)));

        return $there === [] ? null : Statistics::of($scratch->lines($there[0]));
    }

    private function write(Plan $plan, Part $gathered, PartRate $rate): void
    {
        Part::query()->create([
            ...$gathered->only(['run_id', 'number', 'first', 'last', 'plan', 'digest']),
            'pass' => Part::WRITES, 'gathered_id' => $gathered->id, 'aim' => $plan->bitrate->average?->bitsPerSecond,
            'average' => $rate->average, 'full' => $rate->full,
        ]);
    }

    /**
     * The latest part of each position for this average.
     *
     * @param  Collection<int, Part>  $gathered
     * @return Collection<int, Part> in order
     */
    private function written(Plan $plan, Collection $gathered): Collection
    {
        return Part::query()->whereIn('gathered_id', $gathered->modelKeys())->where('aim', $plan->bitrate->average?->bitsPerSecond)
            ->orderBy('id')->get()->keyBy('number')->sortKeys()->values();
    }
}
