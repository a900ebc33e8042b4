<?php

namespace App\Packing;

use App\Engine\Capabilities;
use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Part;
use App\Models\PresentWorker;
use App\Models\Speed;
use App\Models\Work;
use App\Work\Owner;
use App\Work\Presence;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Encoding\BufferAcross;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\PartList;
use OuterCrate\Encoding\PartRate;
use OuterCrate\Encoding\PartWitness;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\RateCurve;
use OuterCrate\Encoding\Statistics;
use OuterCrate\Encoding\Witness;
use OuterCrate\Estimates\Dividing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Packet;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;

/**
 * Has a long file made in parts by all machines that are free for it (PartRound), and gives the pass that joins them. In two passes, all
 * parts go through the first, then each is given the rate that falls to it. What is there of them is kept until the file is made.
 */
class InParts
{
    /** What a part leaves; counted up when that changes, so that what an earlier version left is not taken for the same. */
    private const LEAVES = 2;

    /** Of the name of a part's picture. */
    private const ENDING = 'mov';

    /** Share of the whole that is done when all parts are there. */
    private const SHARE = 0.96;

    /** Share that is done when all have been through the first of two passes. */
    private const GATHERED = 0.34;

    /** How often parts are made again that take more out of a decoder's buffer than those before them left. */
    private const AGAIN = 2;

    /** Of what is full of that buffer, what they are told then. */
    private const SAFE = 0.9;

    public function __construct(
        private readonly PartRound $round,
        private readonly PassBuilder $passes,
        private readonly Encoders $encoders,
        private readonly Capabilities $capabilities,
        private readonly CutReader $reader,
        private readonly Room $room,
        private readonly PlanDocument $documents,
    ) {
    }

    /**
     * @param  Bitrate|null  $aimed  average that the encoder is to aim at, where the one that was promised came out too far from it
     * @return Pass|null null where the file is made as a whole
     *
     * @throws Stopped
     */
    public function joining(Making $making, Plan $plan, ?Bitrate $aimed = null): ?Pass
    {
        $reading = $making->run->cut?->reading();
        $divided = $reading === null ? null : $this->divided($making, $plan, $reading);
        if ($reading === null || $divided === null) {
            return null;
        }
        $aimed === null
            ? $making->journal->result("Divided into {$divided->count()} parts, for all machines that are free.")
            : $this->forgetWritten($making, $divided);
        $parts = $plan->bitrate->passes === 2
            ? $this->inTwoPasses($making, $aimed === null ? $plan : $plan->aimedAt($aimed), $divided)
            : ($this->round->make($divided, $making, new PartStage(0.0, self::SHARE, 1, 2)) ? $divided : null);
        if ($parts === null) {
            $making->journal->result('Its parts could not be made by themselves: the file is made as a whole.');

            return null;
        }
        $list = $parts->map(fn (Part $part): array => ['name' => $part->file, 'range' => $part->range()])->all();
        $this->witness($parts, $making, $plan);
        OutputFile::write("{$making->scratch->path}/".PartList::FILE, PartList::of(array_values($list), $plan->frameRate->rate));

        return $this->passes->joining($plan, $reading, PartList::FILE);
    }

    /** Forgets the parts of a run; whoever is at one hears of it. */
    public static function forget(int $run): void
    {
        $ids = Part::query()->where('run_id', $run)->pluck('id');
        Work::query()->where('kind', Part::WORK)->whereIn('subject', $ids)->delete();
        Part::query()->whereKey($ids)->delete();
    }

    /**
     * What is made first of each part: all of it, or what is gathered for its second pass.
     *
     * @return Collection<int, Part>|null null where the file is made as a whole
     */
    private function divided(Making $making, Plan $plan, Reading $reading): ?Collection
    {
        $run = $making->run;
        $document = $this->documents->write($plan);
        $digest = substr(hash('xxh128', serialize([self::LEAVES, $document, $run->cut_state])), 0, 16);
        $isGathering = $plan->bitrate->passes === 2;
        $ending = $isGathering ? 'gathered' : self::ENDING;
        $own = Part::query()->where('run_id', $run->id)->where('file', 'like', "part-{$digest}-___.{$ending}")->orderBy('number');
        $ranges = $own->exists() ? [] : $this->ranges($plan, $reading);
        if ($ranges !== [] && ! $this->room->isAlsoIn($making->scratch->path, $run)) {
            $making->journal->result('There is no room for its parts beside the file: it is made as a whole.');

            return null;
        }
        $ranges === [] ?: self::forget($run->id);
        foreach ($ranges as $i => $range) {
            Part::query()->create([
                'run_id' => $run->id, 'number' => $i + 1, 'first' => $range->first, 'last' => $range->last, 'plan' => $document,
                'file' => sprintf('part-%s-%03d.%s', $digest, $i + 1, $ending), 'pass' => $isGathering ? 1 : 0,
            ]);
        }
        $parts = $own->get();

        return $parts->isEmpty() ? null : $parts;
    }

    /**
     * @param  Plan  $plan  with the average that is aimed at
     * @param  Collection<int, Part>  $gathered
     * @return Collection<int, Part>|null null where one of them could not be made, or no rate be planned
     */
    private function inTwoPasses(Making $making, Plan $plan, Collection $gathered): ?Collection
    {
        if (! $this->round->make($gathered, $making, new PartStage(0.0, self::GATHERED, 1, 3))) {
            return null;
        }
        $parts = $this->planned($making, $plan, $gathered);
        $writing = new PartStage(self::GATHERED, self::SHARE, 2, 3);
        for ($again = 0; $parts !== null && $this->round->make($parts, $making, $writing); $again++) {
            $sizes = $parts->map(fn (Part $part): array => array_map(
                fn (Packet $packet): int => $packet->bytes,
                $this->reader->picture("{$making->scratch->path}/{$part->file}"),
            ));
            $over = BufferAcross::overrun(array_values($sizes->all()), $plan->bitrate, $plan->frameRate->rate);
            if ($over === null) {
                return $parts;
            }
            if ($again === self::AGAIN) {
                break;
            }
            [$place, $full] = $over;
            $making->journal->result(sprintf(
                'Part %d takes more out of a decoder’s buffer than those before it leave: made again with %.0f %% of it.',
                $place + 1,
                100 * self::SAFE * $full,
            ));
            $this->write($plan, $gathered[$place], new PartRate((int) $parts[$place]->average, self::SAFE * $full));
            $making->scratch->remove($parts[$place]->file);
            $parts = $this->written($plan, $gathered);
        }

        return null;
    }

    /**
     * The parts with what falls to each.
     *
     * @param  Collection<int, Part>  $gathered
     * @return Collection<int, Part>|null null where what was gathered does not tell
     */
    private function planned(Making $making, Plan $plan, Collection $gathered): ?Collection
    {
        $there = $this->written($plan, $gathered);
        if ($there->count() === $gathered->count()) {
            return $there;
        }
        $perSecond = $plan->frameRate->rate->perSecond->toFloat();
        // Part after part, as the frames of a long one fill the memory.
        $seconds = array_values($gathered->map(
            fn (Part $part): ?array => self::statistics($making->scratch, $part)?->seconds($perSecond),
        )->all());
        if ($seconds === [] || in_array(null, $seconds, true)) {
            return null;
        }
        $rates = RateCurve::of($seconds, $plan->bitrate, $perSecond);
        $told = array_map(fn (PartRate $rate): string => (string) new Bitrate($rate->average), $rates);
        $making->journal->result('Of the average, what falls to each part: '.implode(', ', $told).'.');
        $gathered->values()->each(fn (Part $part, int $i) => $this->write($plan, $part, $rates[$i]));

        return $this->written($plan, $gathered);
    }

    private static function statistics(Scratch $scratch, Part $gathered): ?Statistics
    {
        $names = array_map(fn (string $name): string => "{$gathered->file}.{$name}", Statistics::FILES);
        $there = array_values(array_filter($names, $scratch->holds(...)));

        return $there === [] ? null : Statistics::of($scratch->lines($there[0]));
    }

    private function write(Plan $plan, Part $gathered, PartRate $rate): void
    {
        $name = basename($gathered->file, '.gathered')."-{$plan->bitrate->average?->bitsPerSecond}";
        $tried = Part::query()->where('run_id', $gathered->run_id)->where('file', 'like', "{$name}-%")->count();
        Part::query()->create([
            ...$gathered->only(['run_id', 'number', 'first', 'last', 'plan']),
            'file' => "{$name}-{$tried}.".self::ENDING, 'pass' => 2, 'gathered' => $gathered->file,
            'average' => $rate->average, 'full' => $rate->full,
        ]);
    }

    /**
     * Makes room: what was written at another average is in the file that was joined of it.
     *
     * @param  Collection<int, Part>  $gathered
     */
    private function forgetWritten(Making $making, Collection $gathered): void
    {
        $own = Part::query()->where('run_id', $making->run->id)->whereIn('gathered', $gathered->pluck('file'));
        $written = $own->pluck('file')->all();
        $written === [] ?: $making->scratch->remove(...array_values($written));
    }

    /**
     * What writes each part, as it was planned last.
     *
     * @param  Collection<int, Part>  $gathered
     * @return Collection<int, Part> in order
     */
    private function written(Plan $plan, Collection $gathered): Collection
    {
        return Part::query()->whereIn('gathered', $gathered->pluck('file'))->where('run_id', $gathered->first()?->run_id)
            ->where('file', 'like', "%-{$plan->bitrate->average?->bitsPerSecond}-%")
            ->orderBy('id')->get()->keyBy('number')->sortKeys()->values();
    }

    /** @return list<FrameRange> none where there is no other machine, or it is not worth it */
    private function ranges(Plan $plan, Reading $reading): array
    {
        $machines = $this->machines();
        if ($machines < 2) {
            return [];
        }
        $times = new TimeEstimate($this->encoders, Speed::known());
        $dividing = new Dividing($times, (float) config('crate.work.least_part'), (int) config('crate.work.parts_each'));

        return $dividing->of($plan, $reading, $machines);
    }

    /**
     * Puts together what the parts left: what they saw of the cut, and how coarsely each frame was coded.
     *
     * @param  Collection<int, Part>  $parts
     */
    private function witness(Collection $parts, Making $making, Plan $plan): void
    {
        $scratch = $making->scratch;
        $scratch->remove(Witness::PICTURES, Witness::TIMES, Quantisers::FILE);
        $witness = new PartWitness($plan, $making->run->cut->reading());
        foreach ($parts as $part) {
            $seen = $witness->of($part->range(), $scratch->lines("{$part->file}.".Witness::TIMES));
            $size = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;
            $pictures = "{$part->file}.".Witness::PICTURES;
            $scratch->append($pictures, $seen['first'] * $size, count($seen['times']) * $size, Witness::PICTURES);
            $scratch->add(Witness::TIMES, array_map(fn (float $time): string => sprintf("pts_time:%.6f\n", $time), $seen['times']));
            $quantisers = "{$part->file}.".Quantisers::FILE;
            $scratch->holds($quantisers) && $scratch->append($quantisers, 0, $scratch->bytes($quantisers), Quantisers::FILE);
        }
    }

    /** Machines that would make parts: with the same engine, as parts of two are not joined, and this one among them. */
    private function machines(): int
    {
        return Presence::all()
            ->filter(fn (PresentWorker $worker): bool => in_array(Part::WORK, $worker->kinds, true)
                && $worker->misses === null && $worker->engine === $this->capabilities->version())
            ->pluck('host')->push(Owner::machine())->unique()->count();
    }
}
