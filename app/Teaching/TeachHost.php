<?php

namespace App\Teaching;

use App\Media\StepStore;
use App\Models\Teaching;
use App\Models\Work;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;
use InvalidArgumentException;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Json\Fields;

/** Learns hosts from files. Every step is kept, so that one that was put down goes on where it was. */
class TeachHost implements Kind
{
    public function __construct(
        private readonly Teacher $teacher,
        private readonly StepStore $store,
        private readonly HostFile $hosts,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Teaching::WORK,
            does: 'learns hosts',
            failure: 'An unexpected error stopped this lesson. Finished steps are kept. See storage/logs for details.',
            group: WorkerGroup::Tests,
            priority: Priority::Lesson,
            shows: LessonsInStrip::class,
            yields: true,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $teaching = Teaching::query()->find($work->subject);
        if ($teaching === null) {
            return;
        }
        try {
            $host = $this->hosts->stored(new Fields($teaching->asked['host']));
        } catch (InvalidArgumentException $e) {
            throw TeachingRefused::unreadable($e->getMessage());
        }
        $lessons = $teaching->asked['lessons'];
        $teaching->update(['result' => $this->teacher->teach(
            $host,
            $lessons,
            fn (float $share) => $meter->note($share),
            $meter->shouldStop(...),
        )]);
        $this->store->prune();
    }
}
