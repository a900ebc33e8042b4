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

/** One attempt to make the file of a run. Each step fills in what later steps need. */
final class FileInProgress
{
    /** The stored plan as it was read, with the names of the values decided today. */
    public StoredPlan $stored;

    /** The plan on this machine, with measured light and loudness; rate control may change it while the file is encoded. */
    public Plan $plan;

    /** Detects changes to the cut during the attempt. */
    public SourceWatch $watch;

    /** The partial file that is being written; null until the plan is ready. */
    public ?OutputFile $output = null;

    /** The encoded file as it was read back. */
    public Made $made;

    /** Number of encodes until the average was close enough. */
    public int $tries = 0;

    /** Whether a later attempt continues with the working folder of this one. */
    public bool $goesOn = false;

    /** Whether another attempt takes over the encoded file. */
    public bool $isTakenOver = false;

    public readonly RunJournal $journal;

    /** @param  bool  $isAlone  false if the file shares its decode with others, which distorts its encoding time */
    public function __construct(
        public readonly Run $run,
        public readonly Work $work,
        public readonly Scratch $scratch,
        public readonly Meter $meter,
        public readonly bool $isAlone,
    ) {
        $this->journal = new RunJournal($run);
    }

    /** The partial file, once there is one. */
    public function output(): OutputFile
    {
        assert($this->output !== null);

        return $this->output;
    }

    /** Removes what no later attempt uses. */
    public function letGo(): void
    {
        $this->isTakenOver ? $this->output?->forgetOther() : $this->output?->discard();
        $this->goesOn || RunFolder::forget($this->run->id);
    }
}
