<?php

namespace Tests\Support\Drives;

use Symfony\Component\Process\Process;

/** A drive of a test's own that hangs when it is told to. */
final class HangingDrive
{
    private readonly Process $server;

    /** Whether this machine lets a test have one. */
    public static function canBe(): bool
    {
        return posix_getuid() === 0 && is_writable('/dev/fuse');
    }

    /** @param  string  $path  of a folder, which it hides */
    public function __construct(public readonly string $path)
    {
        is_dir($path) || mkdir($path);
        mkdir("{$path}.behind");
        $this->server = new Process([PHP_BINARY, __DIR__.'/hanging.php', "{$path}.behind", $path], timeout: null);
        $this->server->start();
        for ($end = microtime(true) + 120; microtime(true) < $end && ! $this->isMounted(); usleep(10_000)) {
            continue;
        }
        $this->isMounted() ?: test()->fail('There is no such drive: '.$this->server->getErrorOutput());
    }

    /** @param  string  $what  `writes`, or `all` that it is asked */
    public function hang(string $what): void
    {
        file_put_contents("{$this->path}.hangs", $what);
    }

    /** What serves it looks for the sign now and then, and a busy machine lets it wait. */
    public function goOn(): void
    {
        @unlink("{$this->path}.hangs");
        (new Process(['stat', '--file-system', '--', $this->path], timeout: 30))->run();
    }

    public function remove(): void
    {
        $this->goOn();
        (new Process(['umount', '-l', $this->path]))->run();
        $this->server->stop(2, SIGKILL);
    }

    private function isMounted(): bool
    {
        return str_contains((string) file_get_contents('/proc/mounts'), " {$this->path} fuse ");
    }
}
