<?php

namespace App\Console;

use App\Engine\Clock;
use App\Models\QueueEnd;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Kinds;
use App\Work\Worker;
use Illuminate\Console\Command;

/** A worker: takes work in hand until it is told to end, has run for an hour, or has grown large. */
class WorkCommand extends Command
{
    private const LONGEST = 3600;

    /** Exit status after which it is not started again. */
    public const ALL_DONE = 86;

    private const LARGEST = 256 * 1024 * 1024;

    protected $signature = 'crate:work {--kinds= : Which kinds, with commas; all when left out}';

    protected $description = 'Make files, look at cuts and encode pieces for estimates, as they are asked for';

    public function handle(Worker $worker, Kinds $kinds): int
    {
        $named = $this->option('kinds') === null ? $kinds->names() : explode(',', $this->option('kinds'));
        $unknown = array_diff($named, $kinds->names());
        if ($unknown !== []) {
            $this->error('There is no kind of work “'.implode('”, “', $unknown).'”. There is: '.implode(', ', $kinds->names()).'.');

            return self::INVALID;
        }
        $ending = false;
        $begun = Clock::seconds();
        $last = QueueEnd::query()->max('id');
        $hasEnded = fn (): bool => QueueEnd::query()->max('id') !== $last && ! self::isAnythingLeft();
        $isAllDone = fn (): bool => config('crate.end.quits') && $hasEnded();
        $this->trap([SIGINT, SIGTERM, SIGQUIT], function () use (&$ending): void {
            $ending = true;
        });
        $worker->run($named, function () use (&$ending): bool {
            return $ending;
        }, function () use (&$ending, $begun, $isAllDone): bool {
            return $ending || $isAllDone() || Clock::seconds() - $begun > self::LONGEST || memory_get_usage(true) > self::LARGEST;
        });

        return ! $ending && $isAllDone() ? self::ALL_DONE : self::SUCCESS;
    }

    /** What was asked for by somebody, or follows the end of the queue; all else can wait for the next start. */
    private static function isAnythingLeft(): bool
    {
        return Work::query()->whereIn('kind', ['make', 'tell', 'after'])->whereIn('state', WorkState::underWay())->exists();
    }
}
