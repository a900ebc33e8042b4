<?php

namespace App\Packing\Segments;

use App\Configuration\WorkSettings;
use App\Engine\Capabilities;
use App\Models\Part;
use App\Models\PresentWorker;
use App\Models\Speed;
use App\Packing\Run\FileInProgress;
use App\Packing\Run\Room;
use App\Work\Owner;
use App\Work\Presence;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\Dividing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/** Divides a long file into parts if other machines are free. */
class Division
{
    /** Increase it when the files of a part change, so that parts of an older version are not reused. */
    private const FORMAT = 3;

    public function __construct(
        private readonly Encoders $encoders,
        private readonly Capabilities $capabilities,
        private readonly Room $room,
        private readonly PlanDocument $documents,
        private readonly WorkSettings $settings,
    ) {
    }

    /**
     * Returns the parts to make first: complete parts, or their first passes where there are two. Reuses the parts of an earlier attempt.
     *
     * @return Collection<int, Part>|null null if the file is encoded as a whole
     */
    public function of(FileInProgress $file, Plan $plan): ?Collection
    {
        $run = $file->run;
        $reading = $run->cut?->reading();
        if ($reading === null) {
            return null;
        }
        $document = $this->documents->write($plan);
        $digest = hash('xxh128', serialize([self::FORMAT, $document, $run->cut_state]));
        $own = Part::query()->where('run_id', $run->id)->where('digest', $digest)->where('pass', '<>', Part::WRITES)->orderBy('number');
        $ranges = $own->exists() ? [] : $this->ranges($plan, $reading);
        if ($ranges !== [] && ! $this->room->isAlsoIn($file->scratch->path, $run)) {
            $file->journal->result('There is no room for its parts beside the file: it is made as a whole.');

            return null;
        }
        if ($ranges !== []) {
            Part::forget($run->id);
        }
        foreach ($ranges as $i => $range) {
            Part::query()->create([
                'run_id' => $run->id, 'number' => $i + 1, 'first' => $range->first, 'last' => $range->last,
                'plan' => $document, 'digest' => $digest, 'pass' => $plan->bitrate->passes === 2 ? Part::GATHERS : Part::ONLY,
            ]);
        }
        $parts = $own->get();

        return $parts->isEmpty() ? null : $parts;
    }

    /** @return list<FrameRange> empty if no other machine is available or dividing gains too little */
    private function ranges(Plan $plan, Reading $reading): array
    {
        $machines = $this->machines();
        if ($machines < 2) {
            return [];
        }
        $times = new TimeEstimate($this->encoders, Speed::known());
        $dividing = new Dividing($times, $this->settings->leastPart, $this->settings->partsEach);

        return $dividing->of($plan, $reading, $machines);
    }

    /** Number of machines that can make parts, this one included. All need the same engine: only then can parts be joined. */
    private function machines(): int
    {
        return Presence::all()
            ->filter(fn (PresentWorker $worker): bool => in_array(Part::WORK, $worker->kinds, true)
                && $worker->misses === null && $worker->engine === $this->capabilities->version())
            ->pluck('host')->push(Owner::machine())->unique()->count();
    }
}
