<?php

namespace StandIn\Line;

use RuntimeException;

/**
 * The line between a sender and the host: what comes in at one port goes out at another, byte for byte, until a fault cuts it or slows
 * it down. It holds little in memory, and lets each side wait for the other.
 */
final class Line
{
    private const PART = 65_536;

    /** Bytes that wait for a side at most, before the other one has to wait. */
    private const WAITS = 262_144;

    /** Microseconds between looks where nothing moves, and while a slow line lets nothing through. */
    private const PAUSE = 200_000;

    private const SLOW_PAUSE = 20_000;

    /** @var resource */
    private $server;

    /** @var array<int, Connection> */
    private array $connections = [];

    private float $looked = 0.0;

    /** @var array{drop?: array{after: int, times: int, random?: int}, slow?: array{bytes: int}} */
    private array $faults = [];

    /** What the switches said when they were last read: a cut that was made is not made again until they say another thing. */
    private string $said = '';

    private int $carried = 0;

    /** Bytes after which it is cut next. */
    private int $cutsAt = 0;

    private float $credit = 0.0;

    private float $credited = 0.0;

    /** @param  string  $switches  path of a JSON file that says which faults are on */
    public function __construct(string $listen, private readonly string $to, private readonly string $switches)
    {
        $this->server = stream_socket_server("tcp://{$listen}", $code, $text)
            ?: throw new RuntimeException("Cannot listen on {$listen}: {$text}");
        stream_set_blocking($this->server, false);
    }

    public function run(): never
    {
        while (true) {
            $this->turn();
        }
    }

    private function turn(): void
    {
        $this->look();
        $read = [$this->server];
        $write = [];
        foreach ($this->connections as $connection) {
            // Of a slow line nothing is taken that cannot go on.
            $connection->wants($read, $write, self::WAITS, $this->mayCarry());
        }
        $none = null;
        if (@stream_select($read, $write, $none, 0, $this->mayCarry() ? self::PAUSE : self::SLOW_PAUSE) === false) {
            return;
        }
        foreach ($read as $socket) {
            $socket === $this->server ? $this->take() : $this->read($socket);
        }
        foreach ($write as $socket) {
            $this->of($socket)?->write($socket);
        }
        foreach ($this->connections as $id => $connection) {
            if ($connection->isOver()) {
                $connection->close();
                unset($this->connections[$id]);
            }
        }
    }

    private function take(): void
    {
        $client = @stream_socket_accept($this->server, 0);
        $host = $client === false ? false : @stream_socket_client("tcp://{$this->to}", $code, $text, 5);
        if ($client === false || $host === false) {
            $client === false ?: fclose($client);

            return;
        }
        $connection = new Connection($client, $host);
        $this->connections[(int) $client] = $connection;
    }

    /** @param  resource  $socket */
    private function read($socket): void
    {
        $connection = $this->of($socket);
        if ($connection === null) {
            return;
        }
        $isSent = $connection->isClient($socket);
        $most = $isSent && isset($this->faults['slow']) ? max(1, min(self::PART, (int) $this->credit)) : self::PART;
        if ($isSent && isset($this->faults['drop'])) {
            $most = max(1, min($most, $this->cutsAt - $this->carried));
        }
        $bytes = $connection->read($socket, $most);
        if (! $isSent || $bytes === 0) {
            return;
        }
        $this->credit -= $bytes;
        $this->carried += $bytes;
        if (isset($this->faults['drop']) && $this->carried >= $this->cutsAt) {
            $this->cut($connection);
        }
    }

    /** What was carried so far arrives; then both ends find the line dead. */
    private function cut(Connection $connection): void
    {
        // A mark for each cut, for whoever counts them.
        file_put_contents("{$this->switches}.cuts", '|', FILE_APPEND);
        $connection->flush();
        $connection->reset();
        unset($this->connections[$connection->id()]);
        if (--$this->faults['drop']['times'] <= 0) {
            unset($this->faults['drop']);
        }
        $this->prepare();
    }

    private function prepare(): void
    {
        $this->carried = 0;
        $after = (int) ($this->faults['drop']['after'] ?? 0);
        $this->cutsAt = ($this->faults['drop']['random'] ?? 0) > 0 ? random_int(1, max(1, 2 * $after)) : $after;
    }

    private function look(): void
    {
        $now = hrtime(true) / 1e9;
        $rate = $this->faults['slow']['bytes'] ?? 0;
        // A quarter of a second of it at most is saved up.
        $this->credit = min($rate / 4, $this->credit + $rate * ($now - $this->credited));
        $this->credited = $now;
        if ($now - $this->looked < 0.05) {
            return;
        }
        $this->looked = $now;
        $said = (string) @file_get_contents($this->switches);
        if ($said !== $this->said) {
            $this->said = $said;
            $faults = json_decode($said, true);
            $this->faults = is_array($faults) ? $faults : [];
            $this->prepare();
        }
    }

    private function mayCarry(): bool
    {
        return ! isset($this->faults['slow']) || $this->credit >= 1;
    }

    /** @param  resource  $socket */
    private function of($socket): ?Connection
    {
        foreach ($this->connections as $connection) {
            if ($connection->has($socket)) {
                return $connection;
            }
        }

        return null;
    }
}
