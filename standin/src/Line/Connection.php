<?php

namespace StandIn\Line;

/** A sender and the host, and what of each waits for the other. */
final class Connection
{
    private string $toHost = '';

    private string $toClient = '';

    private bool $clientEnded = false;

    private bool $hostEnded = false;

    private readonly int $id;

    /**
     * @param  resource  $client
     * @param  resource  $host
     */
    public function __construct(private $client, private $host)
    {
        $this->id = (int) $client;
        stream_set_blocking($client, false);
        stream_set_blocking($host, false);
    }

    public function id(): int
    {
        return $this->id;
    }

    /** @param  resource  $socket */
    public function has($socket): bool
    {
        return $socket === $this->client || $socket === $this->host;
    }

    /** @param  resource  $socket */
    public function isClient($socket): bool
    {
        return $socket === $this->client;
    }

    /**
     * @param  list<resource>  $read
     * @param  list<resource>  $write
     */
    public function wants(array &$read, array &$write, int $waits, bool $mayCarry): void
    {
        $this->clientEnded || ! $mayCarry || strlen($this->toHost) >= $waits ?: $read[] = $this->client;
        $this->hostEnded || strlen($this->toClient) >= $waits ?: $read[] = $this->host;
        $this->toHost === '' ?: $write[] = $this->host;
        $this->toClient === '' ?: $write[] = $this->client;
    }

    /**
     * @param  resource  $socket
     * @return int bytes that came
     */
    public function read($socket, int $most): int
    {
        $bytes = (string) @fread($socket, $most);
        if ($bytes === '' && feof($socket)) {
            $this->isClient($socket) ? $this->clientEnded = true : $this->hostEnded = true;
        }
        $this->isClient($socket) ? $this->toHost .= $bytes : $this->toClient .= $bytes;

        return strlen($bytes);
    }

    /** @param  resource  $socket */
    public function write($socket): void
    {
        $waiting = $this->isClient($socket) ? $this->toClient : $this->toHost;
        $written = @fwrite($socket, $waiting);
        if ($written === false) {
            $this->clientEnded = $this->hostEnded = true;
            $this->toClient = $this->toHost = '';

            return;
        }
        $rest = substr($waiting, $written);
        $this->isClient($socket) ? $this->toClient = $rest : $this->toHost = $rest;
    }

    /** What was taken from the sender reaches the host. */
    public function flush(): void
    {
        stream_set_blocking($this->host, true);
        @fwrite($this->host, $this->toHost);
        $this->toHost = '';
    }

    /** One side has ended, and all that it said has arrived. */
    public function isOver(): bool
    {
        return ($this->hostEnded && $this->toClient === '') || ($this->clientEnded && $this->toHost === '' && $this->toClient === '');
    }

    public function close(): void
    {
        @fclose($this->client);
        @fclose($this->host);
    }

    /** Ends without a farewell, as a line that was cut does. */
    public function reset(): void
    {
        if (function_exists('socket_import_stream')) {
            $socket = @socket_import_stream($this->client);
            $socket instanceof \Socket && @socket_set_option($socket, SOL_SOCKET, SO_LINGER, ['l_onoff' => 1, 'l_linger' => 0]);
        }
        $this->close();
    }
}
