<?php

namespace Tests\Support\Soak;

use App\Supervision\Roster;
use Closure;
use PDO;

/** Causes random faults, one at a time, and ends each after a while. */
final class Faults
{
    /** A clock is set by up to this many hours, ahead or back. */
    private const MAX_CLOCK_HOURS = 3;

    /** Nearly half of all faults, since there are many kinds of processes. */
    private const KILL = 'a process was killed';

    /** @var array<string, int> how often each happened */
    private array $counts = [];

    /** @var list<array{float, string}> seconds until the machine answered again after a kill, and the killed process */
    private array $recovered = [];

    private float $guardKilled = 0.0;

    private readonly Client $client;

    public function __construct(private readonly Site $site)
    {
        $this->client = new Client;
    }

    /** Causes one fault and ends it. */
    public function one(): void
    {
        $faults = $this->possible();
        $names = [...array_keys($faults), ...array_fill(0, count($faults) - 2, self::KILL)];
        $name = $names[mt_rand(0, count($names) - 1)];
        $this->counts[$name] = 1 + ($this->counts[$name] ?? 0);
        fwrite(STDERR, date('H:i:s')."  {$name}\n");
        $faults[$name]();
        foreach ($this->site->machines as $machine) {
            // Guard and supervisor were killed together. A person would start the machine again.
            if (! $machine->isGuarded()) {
                $this->counts['… and was started again'] = 1 + ($this->counts['… and was started again'] ?? 0);
                $machine->begin();
            }
        }
    }

    /** @return array<string, int> */
    public function counts(): array
    {
        ksort($this->counts);

        return $this->counts;
    }

    /** @return list<array{float, string}> */
    public function recovered(): array
    {
        return $this->recovered;
    }

    /** @return array<string, Closure(): void> */
    private function possible(): array
    {
        $machine = $this->site->machines[mt_rand(0, 1)];

        return [
            self::KILL => fn () => $this->kill($machine),
            'an engine was killed' => fn () => $this->killEngine($machine),
            'a machine lost its power' => function () use ($machine): void {
                $machine->fail();
                self::wait(1, 6);
                $machine->begin();
                $this->site->until(fn (): bool => $machine->answers(), "{$machine->name} does not begin again", 120);
            },
            'the disk was full' => function (): void {
                $this->site->fill();
                self::wait(3, 15);
                $this->site->makeRoom();
            },
            'the drive was removed' => function (): void {
                $this->site->takeDriveAway();
                self::wait(3, 15);
                $this->site->bringDriveBack();
            },
            'the line was cut' => function (): void {
                $fault = ['after' => mt_rand(10_000, 200_000), 'times' => mt_rand(1, 8), 'random' => 1];
                $this->client->ask('PUT', "{$this->site->host}/api/faults/drop", $fault);
                self::wait(5, 10);
                $this->client->ask('DELETE', "{$this->site->host}/api/faults/drop");
            },
            ...$this->site->servers === null ? ['the database was locked' => $this->lock(...)] : [
                'PostgreSQL was restarted' => function (): void {
                    $this->site->servers->endPostgres();
                    self::wait(1, 8);
                    $this->site->servers->beginPostgres();
                },
                'Redis was restarted' => function (): void {
                    $this->site->servers->endRedis();
                    self::wait(1, 8);
                    $this->site->servers->beginRedis();
                },
            ],
            ...$machine->clock === null ? [] : [
                'a clock was set' => function () use ($machine): void {
                    $machine->clock->set(mt_rand(-3600 * self::MAX_CLOCK_HOURS, 3600 * self::MAX_CLOCK_HOURS));
                    self::wait(5, 20);
                    mt_rand(0, 1) === 0 ?: $machine->clock->set(0);
                },
            ],
        ];
    }

    private function kill(Machine $machine): void
    {
        $all = $machine->ownProcesses();
        if ($all === []) {
            return;
        }
        $victim = $all[mt_rand(0, count($all) - 1)];
        $isGuarding = in_array($victim, [
            $machine->roster->noted(Roster::GUARD)?->number, $machine->roster->noted(Roster::SUPERVISOR)?->number,
        ], true);
        // Killing both ends everything by design. The power failure tests that.
        if ($isGuarding && microtime(true) - $this->guardKilled < 10) {
            return;
        }
        $this->guardKilled = $isGuarding ? microtime(true) : $this->guardKilled;
        $title = substr(strtr((string) @file_get_contents("/proc/{$victim}/cmdline"), "\0", ' '), 0, 90);
        posix_kill($victim, SIGKILL);
        $begun = hrtime(true);
        $this->site->until(fn (): bool => $machine->answers(), "{$machine->name} does not answer after a process was killed", 60);
        $this->recovered[] = [(hrtime(true) - $begun) / 1e9, $title];
    }

    private function killEngine(Machine $machine): void
    {
        $engines = array_values(array_diff($machine->processes(), $machine->ownProcesses()));
        $engines === [] ?: posix_kill($engines[mt_rand(0, count($engines) - 1)], SIGKILL);
    }

    /** Locks the database, as a backup program might. */
    private function lock(): void
    {
        $database = new PDO("sqlite:{$this->site->disk}/database/outer-crate.sqlite");
        $database->exec('pragma busy_timeout = 10000');
        $database->exec('begin immediate');
        self::wait(2, 20);
        $database->exec('rollback');
    }

    private static function wait(int $least, int $most): void
    {
        usleep(mt_rand(1_000_000 * $least, 1_000_000 * $most));
    }
}
