<?php

namespace App\Supervision;

use RuntimeException;

/**
 * The folder in which one installation notes what runs for it: which services there are, who guards them, and the process of each. Whoever
 * takes over after a crash finds here what is left to end.
 */
final readonly class Roster
{
    /** The process that bin/start became, which starts the supervisor again. */
    public const GUARD = 'guard';

    /** The process that starts the services again, and the guard. */
    public const SUPERVISOR = 'supervisor';

    private const SERVICES = 'services.json';

    private const RUNNING = 'running';

    public function __construct(public string $folder)
    {
    }

    /**
     * @param  list<ServiceDefinition>  $services
     * @param  list<string>  $announcement  lines for the terminal once the port answers
     * @param  string  $farewell  a line for it when all has ended
     * @param  list<string>  $passing  files that are there only while the services run
     */
    public function define(
        array $services,
        string $address,
        int $port,
        array $announcement = [],
        string $farewell = '',
        array $passing = [],
    ): void {
        $this->write(self::SERVICES, (string) json_encode([
            'services' => $services, 'address' => $address, 'port' => $port,
            'announcement' => $announcement, 'farewell' => $farewell, 'passing' => $passing,
        ], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT | JSON_INVALID_UTF8_SUBSTITUTE));
        foreach ([self::GUARD, self::SUPERVISOR, self::RUNNING] as $name) {
            is_file("{$this->folder}/{$name}") || $this->write($name, "\n");
        }
    }

    public function exists(): bool
    {
        return is_file("{$this->folder}/".self::SERVICES);
    }

    /** @return list<ServiceDefinition> */
    public function services(): array
    {
        return array_map(fn (array $service): ServiceDefinition => new ServiceDefinition(...$service), $this->defined()['services']);
    }

    /** @return array{address: string, port: int, announcement: list<string>, farewell: string} */
    public function front(): array
    {
        return $this->defined();
    }

    public function note(string $role, ?ProcessId $process): void
    {
        $this->write($role, (string) $process);
    }

    public function noted(string $role): ?ProcessId
    {
        return ProcessId::fromText((string) @file_get_contents("{$this->folder}/{$role}"));
    }

    public function isAlive(string $role): bool
    {
        return $this->noted($role)?->isAlive() ?? false;
    }

    /** @param  array<string, ProcessId>  $running  by the names of services */
    public function noteRunning(array $running): void
    {
        $lines = array_map(fn (string $name, ProcessId $process): string => "{$process} {$name}\n", array_keys($running), $running);
        $this->write(self::RUNNING, implode('', $lines));
    }

    /** @return array<string, ProcessId> who leads the session of each service, by the names of services */
    public function running(): array
    {
        $running = [];
        foreach (explode("\n", (string) @file_get_contents("{$this->folder}/".self::RUNNING)) as $line) {
            [$number, $began, $name] = explode(' ', $line, 3) + ['', '', ''];
            $leader = ProcessId::fromText("{$number} {$began}");
            $running += $leader === null ? [] : [$name => $leader];
        }

        return $running;
    }

    /** Ends all that is left of the services, at once. */
    public function killServices(): void
    {
        ProcessId::killSessions(array_values($this->running()));
    }

    public function forget(): void
    {
        foreach ($this->exists() ? $this->defined()['passing'] : [] as $file) {
            @unlink($file);
        }
        foreach ([self::GUARD, self::SUPERVISOR, self::RUNNING, self::SERVICES] as $name) {
            @unlink("{$this->folder}/{$name}");
        }
    }

    /**
     * @return array{
     *     services: list<array<string, mixed>>, address: string, port: int,
     *     announcement: list<string>, farewell: string, passing: list<string>,
     * }
     */
    private function defined(): array
    {
        $defined = json_decode((string) @file_get_contents("{$this->folder}/".self::SERVICES), true);

        return is_array($defined) ? $defined : throw new RuntimeException("{$this->folder} does not say which services there are.");
    }

    /**
     * Replaces the file in one step, since others may read it at any time, also after a crash. On a full disk it overwrites the file in
     * place, which needs no space, so that the services keep running.
     */
    private function write(string $name, string $text): void
    {
        $path = "{$this->folder}/{$name}";
        $new = "{$path}.".getmypid();
        if (@file_put_contents($new, $text) === strlen($text) && @rename($new, $path)) {
            return;
        }
        @unlink($new);
        $there = @fopen($path, 'r+');
        if ($there === false || @fwrite($there, $text) !== strlen($text) || ! ftruncate($there, strlen($text))) {
            throw new RuntimeException("{$path} could not be written.");
        }
        fclose($there);
    }
}
