<?php

namespace App\Packing\Strategies;

use App\Media\OutputFile;
use App\Models\Part;
use App\Packing\Passes\OwnEngine;
use App\Packing\Passes\PassRunner;
use App\Packing\Run\FileInProgress;
use App\Packing\Segments\Division;
use App\Packing\Segments\PartRound;
use App\Packing\Segments\PartStage;
use App\Packing\Segments\TwoPassParts;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Commands\Witness;
use OuterCrate\Encoding\PartList;
use OuterCrate\Encoding\PartWitness;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Units\Bitrate;

/** Encodes a long file in parts on all free machines and joins them. Parts are kept until the file is finished. */
class SegmentedEncode implements Strategy
{
    /** Share of the whole work that is done when all parts are written. */
    private const PARTS_SHARE = 0.96;

    public function __construct(
        private readonly Division $division,
        private readonly PartRound $round,
        private readonly TwoPassParts $twoPasses,
        private readonly PassBuilder $passes,
        private readonly PassRunner $runner,
        private readonly OwnEngine $engine,
    ) {
    }

    public function encode(FileInProgress $file, Plan $plan, ?Bitrate $average = null): bool
    {
        $divided = $this->division->of($file, $plan);
        if ($divided === null) {
            return false;
        }
        $average === null
            ? $file->journal->result("Divided into {$divided->count()} parts, for all machines that are free.")
            : $this->twoPasses->removeWritten($file, $divided);
        $parts = $this->parts($file, $average === null ? $plan : $plan->aimedAt($average), $divided);
        if ($parts === null) {
            $file->journal->result('Its parts could not be made by themselves: the file is made as a whole.');

            return false;
        }
        $list = $parts->map(fn (Part $part): array => ['name' => $part->file(), 'range' => $part->range()])->all();
        $this->collect($parts, $file, $plan);
        OutputFile::write("{$file->scratch->path}/".PartList::FILE, PartList::of(array_values($list), $plan->frameRate->rate));
        $this->runner->run($file, [$this->passes->joining($plan, $file->run->cut->reading(), PartList::FILE)], $this->engine);

        return true;
    }

    /**
     * @param  Collection<int, Part>  $divided
     * @return Collection<int, Part>|null null if a part failed
     */
    private function parts(FileInProgress $file, Plan $plan, Collection $divided): ?Collection
    {
        if ($plan->bitrate->passes === 2) {
            return $this->twoPasses->make($file, $plan, $divided, self::PARTS_SHARE);
        }

        return $this->round->make($divided, $file, new PartStage(0.0, self::PARTS_SHARE, 1, 2)) ? $divided : null;
    }

    /**
     * Combines the frames and quantisers that the parts recorded, as if the file had been encoded as a whole.
     *
     * @param  Collection<int, Part>  $parts
     */
    private function collect(Collection $parts, FileInProgress $file, Plan $plan): void
    {
        $scratch = $file->scratch;
        $scratch->remove(Witness::PICTURES, Witness::TIMES, Quantisers::FILE);
        $witness = new PartWitness($plan, $file->run->cut->reading());
        foreach ($parts as $part) {
            $seen = $witness->of($part->range(), $scratch->lines("{$part->file()}.".Witness::TIMES));
            $size = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;
            $pictures = "{$part->file()}.".Witness::PICTURES;
            $scratch->append($pictures, $seen['first'] * $size, count($seen['times']) * $size, Witness::PICTURES);
            $scratch->add(Witness::TIMES, array_map(fn (float $time): string => sprintf("pts_time:%.6f\n", $time), $seen['times']));
            $quantisers = "{$part->file()}.".Quantisers::FILE;
            $scratch->holds($quantisers) && $scratch->append($quantisers, 0, $scratch->bytes($quantisers), Quantisers::FILE);
        }
    }
}
