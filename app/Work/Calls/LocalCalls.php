<?php

namespace App\Work\Calls;

/**
 * Wakes workers on this machine: each worker listens on a socket in a folder, and call() writes to all of them. Workers of another machine
 * or user do not hear the call; they check the queue when their wait ends.
 */
final class LocalCalls implements Calls
{
    /** Microseconds between looks where no socket can be made. */
    private const WITHOUT_SOCKET = 500_000;

    /** Bytes of the path of a socket at most (unix(7), sun_path), with its end. */
    private const MAX_PATH = 107;

    /** @var resource|false|null */
    private $socket = null;

    private string $path = '';

    public function call(): void
    {
        foreach (glob(self::folder().'/*.call', GLOB_NOSORT) ?: [] as $path) {
            $to = @stream_socket_client("udg://{$path}", $code, $message, 0);
            if ($to === false) {
                // The worker of this socket was killed.
                $code === SOCKET_ECONNREFUSED && @unlink($path);

                continue;
            }
            stream_set_blocking($to, false);
            @fwrite($to, '!');
            fclose($to);
        }
    }

    public function wait(float $seconds): void
    {
        $this->socket ??= $this->open();
        if ($this->socket === false) {
            usleep(min(self::WITHOUT_SOCKET, (int) (1e6 * $seconds)));

            return;
        }
        $read = [$this->socket];
        $none = null;
        // A signal ends it as well.
        if (@stream_select($read, $none, $none, (int) $seconds, (int) (1e6 * fmod($seconds, 1))) > 0) {
            while (@fread($this->socket, 64) !== '' && ! feof($this->socket)) {
                continue;
            }
        }
    }

    public function __destruct()
    {
        if (is_resource($this->socket)) {
            fclose($this->socket);
            @unlink($this->path);
        }
    }

    /** @return resource|false */
    private function open()
    {
        $folder = self::folder();
        is_dir($folder) || @mkdir($folder, 0o700, true);
        $this->path = "{$folder}/".getmypid().'.call';
        @unlink($this->path);
        $socket = @stream_socket_server("udg://{$this->path}", $code, $message, STREAM_SERVER_BIND);
        $socket === false || stream_set_blocking($socket, false);

        return $socket;
    }

    private static function folder(): string
    {
        $folder = storage_path('framework/calls');
        $room = self::MAX_PATH - strlen('/9999999.call');

        return strlen($folder) <= $room
            ? $folder
            : sys_get_temp_dir().'/outer-crate-calls-'.posix_geteuid().'-'.substr(hash('sha256', $folder), 0, 12);
    }
}
