<?php

namespace App\Console;

use App\Configuration\QueueEndSettings;
use App\Engine\Clock;
use App\Models\QueueEnd;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Kinds;
use App\Work\Worker;
use App\Work\WorkerGroup;
use Illuminate\Console\Command;

/** A worker: takes work in hand until it is told to end, has run for an hour, or has grown large. */
class WorkCommand extends Command
{
    private const LONGEST = 3600;

    /** Exit status after which it is not started again. */
    public const ALL_DONE = 86;

    private const LARGEST = 256 * 1024 * 1024;

    protected $signature = 'crate:work {--groups= : Which groups of work, separated by commas; all when left out}';

    protected $description = 'Make files, look at cuts and encode pieces for estimates, as they are asked for';

    public function handle(Worker $worker, Kinds $kinds): int
    {
        $groups = array_column(WorkerGroup::cases(), null, 'value');
        $asked = $this->option('groups') === null ? array_keys($groups) : explode(',', $this->option('groups'));
        $unknown = array_diff($asked, array_keys($groups));
        if ($unknown !== []) {
            $this->error('There is no group “'.implode('”, “', $unknown).'”. The groups are '.implode(', ', array_keys($groups)).'.');

            return self::INVALID;
        }
        $named = $kinds->of(...array_values(array_intersect_key($groups, array_flip($asked))));
        $ending = false;
        $begun = Clock::seconds();
        $last = QueueEnd::query()->max('id');
        $waitedFor = $kinds->delayingEnd();
        $hasEnded = fn (): bool => QueueEnd::query()->max('id') !== $last
            && ! Work::query()->whereIn('kind', $waitedFor)->whereIn('state', WorkState::underWay())->exists();
        $isAllDone = fn (): bool => app(QueueEndSettings::class)->quits && $hasEnded();
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
}
