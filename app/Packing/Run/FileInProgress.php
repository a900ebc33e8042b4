<?php

namespace App\Packing\Run;

use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;
use App\Models\Work;
use App\Work\Meter;
use OuterCrate\Documents\StoredPlan;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;

/** One attempt to make the file of a run. Each step fills in what the steps after it need. */
final class FileInProgress
{
    /** The stored plan as it was read, with the names of the values decided today. */
    public StoredPlan $stored;

    /** The plan on this machine, with measured light and loudness; rate control may change it while the file is encoded. */
    public Plan $plan;

    /** Notices when the cut is written to meanwhile. */
    public SourceWatch $watch;

    /** Where it is written, beside its place. */
    public ?OutputFile $file = null;

    /** The encoded file as it was read back. */
    public Made $made;

    /** How many files were encoded until the average was near enough. */
    public int $tries = 0;

    /** Whether another attempt goes on with what this one leaves in its folder. */
    public bool $goesOn = false;

    /** Whether another attempt takes over the encoded file. */
    public bool $isTakenOver = false;

    public readonly RunJournal $journal;

    /** @param  bool  $isAlone  it is not made together with others, so how long it takes is its own time */
    public function __construct(
        public readonly Run $run,
        public readonly Work $work,
        public readonly Scratch $scratch,
        public readonly Meter $meter,
        public readonly bool $isAlone,
    ) {
        $this->journal = new RunJournal($run);
    }

    /** The file being written, once there is one. */
    public function file(): OutputFile
    {
        assert($this->file !== null);

        return $this->file;
    }

    /** Removes what no later attempt uses. */
    public function letGo(): void
    {
        $this->isTakenOver ? $this->file?->forgetOther() : $this->file?->discard();
        $this->goesOn || RunFolder::forget($this->run->id);
    }
}
