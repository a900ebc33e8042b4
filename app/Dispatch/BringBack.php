<?php

namespace App\Dispatch;

use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\SendingFailed;
use App\Library\Hosts;
use App\Media\MediaFolders;
use App\Media\OutputFile;
use App\Models\Dispatch;
use App\Models\Work;
use App\Teaching\Teachings;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Postponed;
use App\Work\Priority;
use App\Work\WorkerGroup;
use Closure;
use OuterCrate\Dispatch\Patience;

/** Fetches what a host made of an upload, to be looked at beside the cut, and teaches the host by it. */
class BringBack implements Kind
{
    public function __construct(
        private readonly Connections $connections,
        private readonly Teachings $teachings,
        private readonly Hosts $hosts,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Dispatch::BRINGS,
            does: 'fetches what hosts made',
            failure: 'An unexpected error stopped this download. The video stays on its host. See storage/logs for details.',
            group: WorkerGroup::Sending,
            priority: Priority::Sending,
            atOnce: 1,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $dispatch = Dispatch::query()->find($work->subject);
        $lines = $dispatch?->video()?->ready() ?? [];
        if ($dispatch === null || $lines === []) {
            return;
        }
        $folder = MediaFolders::cameBack()."/{$dispatch->key}";
        OutputFile::needFolder($folder);
        $files = [];
        foreach ($lines as $i => $one) {
            $goesOn = function () use ($meter, $i, $lines): bool {
                $meter->note($i / count($lines));

                return ! $meter->shouldStop();
            };
            $meter->check();
            $files[] = $this->fetched($dispatch, $one, $folder, $goesOn, $work->attempts);
        }
        $dispatch->update(['came_back' => $files]);
        if (is_file($dispatch->file)) {
            $teaching = $this->teachings->ask($this->hosts->need($dispatch->account->host), [[$dispatch->file, ...$files]]);
            $dispatch->note('Fetched what its host made of it, and taught the host by it.', ['teaching_id' => $teaching->id]);
        }
    }

    /**
     * @param  Closure(): bool  $goesOn
     *
     * @throws Postponed where the line was lost
     */
    private function fetched(Dispatch $dispatch, int $lines, string $folder, Closure $goesOn, int $attempts): string
    {
        $path = "{$folder}/".pathinfo($dispatch->file, PATHINFO_FILENAME)." {$lines}p.mp4";
        if (is_file($path)) {
            return $path;
        }
        $file = OutputFile::at($path, 'fetched');
        try {
            $this->connections->of($dispatch->account)->fetch($dispatch, $lines, $file->target(null), $goesOn);

            return $file->publish();
        } catch (SendingFailed $e) {
            throw $e->way === 'later' ? new Postponed($e->getMessage(), Patience::after($attempts, $e->seconds)) : $e;
        } finally {
            $file->discard();
        }
    }
}
