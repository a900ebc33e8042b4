<?php

namespace Tests\Support\Soak;

use App\Supervision\ProcessId;
use App\Supervision\Roster;
use Symfony\Component\Process\Process;

/** One simulated machine: an installation with all services of bin/start and a name of its own. */
final class Machine
{
    public readonly string $address;

    public readonly Roster $roster;

    private ?Process $start = null;

    /**
     * @param  array<string, string>  $surroundings
     * @param  list<string>  $options  of crate:start
     */
    public function __construct(
        public readonly string $name,
        private readonly string $served,
        private readonly int $port,
        private readonly array $surroundings,
        private readonly array $options,
        public readonly ?Clock $clock,
    ) {
        $this->address = "http://127.0.0.1:{$port}";
        $this->roster = new Roster($served);
        is_dir($served) || mkdir($served, 0o700, true);
    }

    public function begin(): void
    {
        $command = ['php', 'artisan', 'crate:start', "--port={$this->port}", "--folder={$this->served}", ...$this->options];
        // bin/bench sets this for workers; crate:start does so itself.
        $surroundings = $this->surroundings + ($this->clock?->surroundings() ?? []) + ['PHP_INI_SCAN_DIR' => false];
        $this->start = new Process(['setsid', ...$command], base_path(), $surroundings, null, null);
        $this->start->disableOutput();
        $this->start->start();
    }

    /** Kills all its processes at once, as a power failure would. */
    public function fail(): void
    {
        for ($round = 0; $round < 20 && ($all = $this->processes()) !== []; $round++) {
            array_map(fn (int $process): bool => posix_kill($process, SIGKILL), $all);
            usleep(20_000);
        }
        $this->start?->stop(0, SIGKILL);
    }

    public function end(): void
    {
        (new Process([base_path('bin/supervise'), 'stop', $this->served], timeout: 60))->run();
        $this->start?->stop(0, SIGKILL);
    }

    public function answers(): bool
    {
        $context = stream_context_create(['http' => ['timeout' => 3.0]]);

        return @file_get_contents("{$this->address}/api/machine", false, $context) !== false;
    }

    /** Whether guard or supervisor is running. Without either, the machine does not recover. */
    public function isGuarded(): bool
    {
        return $this->roster->isAlive(Roster::GUARD) || $this->roster->isAlive(Roster::SUPERVISOR);
    }

    /** @return list<int> guard, supervisor, and all processes of the services */
    public function processes(): array
    {
        $guards = array_map($this->roster->noted(...), [Roster::GUARD, Roster::SUPERVISOR]);
        $leaders = [...array_values($this->roster->running()), ...$guards];
        $all = array_merge(...array_map(fn (?ProcessId $leader): array => $leader?->session() ?? [], $leaders));

        return array_values(array_unique(array_diff($all, [getmypid()])));
    }

    /** @return list<int> all processes except engines */
    public function ownProcesses(): array
    {
        return array_values(array_filter(
            $this->processes(),
            fn (int $process): bool => preg_match('~^(php|nginx)~', (string) @file_get_contents("/proc/{$process}/comm")) === 1,
        ));
    }
}
