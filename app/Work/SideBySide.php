<?php

namespace App\Work;

use App\Engine\Stopped;
use Closure;
use Throwable;

/**
 * Does several things at once, each in a copy of this process, so that one core measures while another encodes. What they find they leave
 * in a store; what fails is found out by whoever asks for it again. Copies leave the database alone: it is this process's.
 */
final class SideBySide
{
    /** Things that are done at once at most: each holds a picture in memory several times. */
    private const MOST = 4;

    /** Microseconds between looks at them. */
    private const PAUSE = 10_000;

    /**
     * @param  list<Closure(Closure(): bool, Closure(): void): mixed>  $jobs  each is given whether it is to stop, and what it calls for
     *     each step
     * @param  Closure(): void  $onStep
     * @param  Closure(): bool  $shouldStop
     * @param  (Closure(): void)|null  $meanwhile  done once by this process itself, while the first jobs go on: what it finds is known to
     *     the jobs that begin later
     *
     * @throws Stopped
     */
    public static function run(array $jobs, Closure $onStep, Closure $shouldStop, ?Closure $meanwhile = null): void
    {
        $atOnce = self::atOnce(count($jobs));
        if ($atOnce < 2) {
            return;
        }
        $running = [];
        try {
            while ($jobs !== [] || $running !== []) {
                while ($jobs !== [] && count($running) < $atOnce) {
                    [$id, $steps] = self::begin(array_shift($jobs));
                    $running[$id] = $steps;
                }
                $meanwhile === null ?: $meanwhile();
                $meanwhile = null;
                foreach ($running as $id => $steps) {
                    $hasEnded = pcntl_waitpid($id, $status, WNOHANG) !== 0;
                    for ($done = strlen((string) stream_get_contents($steps)); $done > 0; $done--) {
                        $onStep();
                    }
                    if ($hasEnded) {
                        unset($running[$id]);
                    }
                }
                if ($shouldStop()) {
                    throw new Stopped;
                }
                $running === [] ?: usleep(self::PAUSE);
            }
        } finally {
            array_map(fn (int $id): bool => posix_kill($id, SIGTERM), array_keys($running));
            array_map(fn (int $id): int => pcntl_waitpid($id, $status), array_keys($running));
        }
    }

    /** How many of so many things are done at once; 1 where no copies can be made. */
    public static function atOnce(int $jobs): int
    {
        return function_exists('pcntl_fork') ? max(1, min(self::MOST, self::cores(), $jobs)) : 1;
    }

    /** Cores that this machine has for us. */
    public static function cores(): int
    {
        $cores = preg_match_all('~^processor\s*:~m', (string) @file_get_contents('/proc/cpuinfo'));

        return max(1, (int) $cores);
    }

    /**
     * @param  Closure(Closure(): bool, Closure(): void): mixed  $job
     * @return array{int, resource} of the copy, and where it says that it has done a step
     */
    private static function begin(Closure $job): array
    {
        [$ours, $theirs] = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, STREAM_IPPROTO_IP) ?: throw new Stopped;
        $parent = posix_getpid();
        $id = pcntl_fork();
        if ($id === 0) {
            self::work($job, $theirs, $parent);
        }
        fclose($theirs);
        stream_set_blocking($ours, false);

        return [$id, $ours];
    }

    /**
     * @param  Closure(Closure(): bool, Closure(): void): mixed  $job
     * @param  resource  $steps
     */
    private static function work(Closure $job, $steps, int $parent): never
    {
        $ends = false;
        pcntl_async_signals(true);
        foreach ([SIGTERM, SIGINT] as $signal) {
            pcntl_signal($signal, function () use (&$ends): void {
                $ends = true;
            });
        }
        try {
            $job(
                // Whoever began it may be killed, and cannot say so any more.
                function () use (&$ends, $parent): bool {
                    return $ends || posix_getppid() !== $parent;
                },
                function () use ($steps): void {
                    fwrite($steps, '.');
                },
            );
        } catch (Throwable) {
            // It is done again by whoever needs it, and said there.
        }
        // Nothing of what this copy shares with the process is closed or written by it.
        posix_kill(posix_getpid(), SIGKILL);
        exit;
    }
}
