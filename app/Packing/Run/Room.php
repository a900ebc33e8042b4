<?php

namespace App\Packing\Run;

use App\Media\Drive;
use App\Media\DriveProbe;
use App\Models\Run;
use App\Models\WorkState;
use App\Work\Postponed;
use OuterCrate\Units\ByteCount;

/** Has a run wait for room on its drive, beside what others are writing there, in place of failing when it is full. */
class Room
{
    /** Seconds until it is looked again. */
    private const PAUSE = 30;

    public function __construct(private readonly DriveProbe $drives)
    {
    }

    /** @throws Postponed while the file would not fit */
    public function need(Run $run): void
    {
        $folder = dirname($run->file);
        $free = Drive::freeBytes($folder);
        $needed = (int) ($run->plan['estimate']['bytes'] ?? 0);
        if ($free === null || $needed === 0) {
            return;
        }
        $others = $this->ofOthers($run, Drive::of($folder));
        if ($needed + $others < $free) {
            return;
        }
        $beside = $others === 0 ? '' : ', and about '.new ByteCount($others).' go to what is being made beside it';
        throw new Postponed(
            'It waits for room: about '.new ByteCount($needed).' are needed in '.mb_scrub($folder).', where '.
                new ByteCount($free)." are free{$beside}. Make room, and it goes on by itself.",
            self::PAUSE,
        );
    }

    /**
     * Whether what a run leaves in its working folder, as large as its file, fits there beside that file and what others are writing.
     */
    public function isAlsoIn(string $folder, Run $run): bool
    {
        $free = Drive::freeBytes($folder);
        $needed = (int) ($run->plan['estimate']['bytes'] ?? 0);
        $drive = Drive::of($folder);
        $times = Drive::of(dirname($run->file)) === $drive ? 2 : 1;

        return $free === null || $times * $needed + $this->ofOthers($run, $drive) < $free;
    }

    /** Bytes that are still to come on a drive of what is being made beside a run. */
    private function ofOthers(Run $run, ?int $drive): int
    {
        return (int) Run::query()
            ->whereKeyNot($run->id)
            ->whereHas('work', fn ($work) => $work->whereIn('state', WorkState::inHand()))
            ->get(['id', 'file', 'plan->estimate->bytes as bytes'])
            ->filter(fn (Run $other): bool => $this->isOn($drive, dirname($other->file)))
            ->sum(fn (Run $other): int => intdiv((int) $other->getAttribute('bytes') * (100 - $other->work->percent), 100));
    }

    /** One that does not answer is another one: this run's does. */
    private function isOn(?int $drive, string $folder): bool
    {
        return $this->drives->answers($folder) && Drive::of($folder) === $drive;
    }
}
