<?php

namespace Tests\Support\Services;

use PDO;
use PDOException;
use Symfony\Component\Process\Process;

/** PostgreSQL and Redis of a test's own, which it can end and begin again. */
final class Servers
{
    private ?Process $postgres = null;

    private ?Process $redis = null;

    private readonly int $port;

    public function __construct(private readonly string $folder)
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $this->port = (int) substr(strrchr(stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        mkdir("{$folder}/pg");
        // Its processes are another user's.
        chmod($folder, 0o755);
    }

    /** @return array<string, string> surroundings of a process that uses both */
    public function surroundings(): array
    {
        return [
            'DB_CONNECTION' => 'pgsql', 'DB_HOST' => "{$this->folder}/pg", 'DB_DATABASE' => 'postgres', 'DB_USERNAME' => 'crate',
            'REDIS_URL' => "redis://127.0.0.1:{$this->port}", 'CRATE_WORK_CALLS' => 'redis',
        ];
    }

    public function beginPostgres(): void
    {
        // What it said that it keeps, it keeps when it is ended at once.
        $this->postgres = new Process([__DIR__.'/postgres', "{$this->folder}/pg", '-c', 'synchronous_commit=on'], timeout: null);
        $this->postgres->start();
        $this->wait(fn (): bool => (bool) new PDO("pgsql:host={$this->folder}/pg;dbname=postgres", 'crate'));
    }

    /** As when its machine is switched off. */
    public function endPostgres(): void
    {
        $this->postgres?->stop(0, SIGQUIT);
        $this->postgres?->wait();
    }

    public function beginRedis(): void
    {
        $command = ['redis-server', '--port', (string) $this->port, '--bind', '127.0.0.1', '--save', '', '--dir', $this->folder];
        $this->redis = new Process($command, timeout: null);
        $this->redis->start();
        $this->wait(fn (): bool => (bool) @stream_socket_client("tcp://127.0.0.1:{$this->port}"));
    }

    public function endRedis(): void
    {
        $this->redis?->stop(0, SIGKILL);
    }

    private function wait(callable $answers): void
    {
        for ($until = microtime(true) + 120; microtime(true) < $until; usleep(50_000)) {
            try {
                if ($answers()) {
                    return;
                }
            } catch (PDOException) {
                continue;
            }
        }
        throw new \RuntimeException('A server does not begin: '.@file_get_contents("{$this->folder}/pg/postgres.log"));
    }
}
