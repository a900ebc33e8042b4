<?php

namespace App\Engine;

use Closure;
use Fiber;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Progress;
use OuterCrate\Encoding\ProgressReader;
use OverflowException;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\Exception\ProcessStartFailedException;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * The only place that starts processes: commands of the core, with limits and without a shell, at a low priority, in a session of
 * their own that ends with this process.
 */
class Runner
{
    /** Bytes of output above which a program has gone astray. */
    private const MOST_OUTPUT = 64_000_000;

    /** Microseconds between looks at a program: a single frame is there in a moment; hours of encoding need no one to look that often. */
    private const FIRST_PAUSE = 4_000;

    private const LONGEST_PAUSE = 40_000;

    /** A program that waits for no drive, and ends in some milliseconds. */
    private const NOTHING = ['stat', '--file-system', '--', '/proc'];

    /** Seconds in which it ends where the machine has time for it. */
    private const MOMENT = 1.0;

    /** Seconds that what is late is still waited for once it has ended, beside those that it took. */
    private const LAST_LOOK = 0.1;

    /** How often a machine without time for it is borne with. */
    private const BUSY_ROUNDS = 20;

    public function __construct(private readonly Standstill $standstill)
    {
    }

    /**
     * Runs an encoding command to its end.
     *
     * @param  string  $folder  it works in; statistics of a first pass lie there
     * @param  Closure(Progress): void|null  $onProgress
     * @param  Closure(): bool|null  $shouldStop  asked several times a second
     * @param  Closure(): bool|null  $isPaused  asked as often: the engine stands still as long as it says so
     * @param  array{string, Closure(int): void}|null  $follower  a file, and what is told how far the engine has read in it
     * @return string what it said of errors that did not end it
     *
     * @throws EngineFailed also when nothing moved for a long time
     * @throws Stopped
     */
    public function encode(
        Command $command,
        string $folder,
        ?Closure $onProgress = null,
        ?Closure $shouldStop = null,
        ?Closure $isPaused = null,
        ?array $follower = null,
    ): string {
        $limits = Limits::of($command->allowance);
        $process = $this->process($command, $limits, $folder)->setTimeout(null);
        $reader = new ProgressReader;
        $watch = new StallWatch($limits->stall, $limits->seconds);
        $errors = '';
        $this->start($process);
        $group = (int) $process->getPid();
        $position = $follower === null ? null : new ReadPosition($group, $follower[0]);
        $pause = self::FIRST_PAUSE;
        try {
            while ($process->isRunning()) {
                $errors = substr($errors.$process->getIncrementalErrorOutput(), -8192);
                $progress = $reader->take($process->getIncrementalOutput());
                $process->clearOutput();
                if ($progress !== null) {
                    $onProgress === null ?: $onProgress($progress);
                }
                if ($shouldStop !== null && $shouldStop()) {
                    throw new Stopped;
                }
                $isPaused !== null && $isPaused() ? $this->standStill($group, $watch, $shouldStop, $isPaused) : null;
                $watch->look($progress);
                $position === null ?: $follower[1]($position->now());
                self::wait($pause);
                $pause = min(self::LONGEST_PAUSE, $pause * 2);
            }
        } catch (Throwable $e) {
            $process->end();
            throw $e;
        }
        $errors .= $process->getIncrementalErrorOutput();
        if ($process->hasBeenSignaled()) {
            throw EngineFailed::killed($process->getTermSignal(), $errors);
        }
        if ($process->getExitCode() !== 0) {
            throw EngineFailed::saying($errors);
        }
        $last = $reader->take($process->getIncrementalOutput()."\n");
        if ($last !== null && $onProgress !== null) {
            $onProgress($last);
        }

        return $errors;
    }

    /**
     * Standard output of a command that answers in a moment; empty when it has gone astray. A failing exit status is not an error
     * here: the caller judges what came out.
     *
     * @throws EngineFailed when the program is missing or takes too long
     */
    public function listen(Command $command): string
    {
        $process = $this->process($command, Limits::of($command->allowance), null);
        $bytes = 0;
        try {
            $this->run($process, function (string $type, string $data) use (&$bytes): void {
                $bytes += $type === Process::OUT ? strlen($data) : 0;
                if ($bytes > self::MOST_OUTPUT) {
                    throw new OverflowException;
                }
            });
        } catch (OverflowException) {
            return '';
        }

        return $process->getOutput();
    }

    /**
     * Hands on each line of a command that says much.
     *
     * @param  Closure(string): void  $take
     * @param  (Closure(): void)|null  $meanwhile  done while it begins, before the first line is handed on
     *
     * @throws EngineFailed
     */
    public function lines(Command $command, Closure $take, ?Closure $meanwhile = null): void
    {
        $rest = '';
        $process = $this->process($command, Limits::of($command->allowance), null);
        $process->disableOutput();
        $this->run($process, function (string $type, string $data) use (&$rest, $take): void {
            if ($type === Process::OUT) {
                $lines = explode("\n", $rest.$data);
                $rest = (string) array_pop($lines);
                array_map($take, $lines);
            }
        }, $meanwhile);
    }

    /**
     * Hands on each piece of so many bytes of a command that says much.
     *
     * @param  Closure(string): void  $take
     *
     * @throws EngineFailed
     */
    public function pieces(Command $command, int $bytes, Closure $take): void
    {
        $rest = '';
        $process = $this->process($command, Limits::of($command->allowance), null);
        $process->disableOutput();
        $this->run($process, function (string $type, string $data) use (&$rest, $bytes, $take): void {
            if ($type === Process::OUT) {
                $rest .= $data;
                $whole = intdiv(strlen($rest), $bytes) * $bytes;
                array_map($take, $whole === 0 ? [] : str_split(substr($rest, 0, $whole), $bytes));
                $rest = substr($rest, $whole);
            }
        });
    }

    /** Whether a command ends well. */
    public function succeeds(Command $command): bool
    {
        try {
            $process = $this->process($command, Limits::of($command->allowance), null);
            $this->run($process, fn () => null);
        } catch (EngineFailed|ProcessSignaledException) {
            // A driver that is half there can bring the whole program down.
            return false;
        }

        return $process->getExitCode() === 0;
    }

    /**
     * Runs what whoever configured this machine named, and hands it a text.
     *
     * @param  list<string>  $command  program and arguments, which no shell sees
     * @return int its exit status; 127 where there is no such program, 128 and the signal where one ended it
     */
    public function handOver(array $command, string $input, int $seconds): int
    {
        $path = self::locate($command[0] ?? '');
        if ($path === null) {
            return 127;
        }
        $process = new Process([$path, ...array_slice($command, 1)], base_path(), null, $input, $seconds);
        $process->disableOutput();
        try {
            return $process->run();
        } catch (ProcessSignaledException) {
            return 128 + $process->getTermSignal();
        } catch (ProcessTimedOutException) {
            return 124;
        }
    }

    /**
     * Runs a program of our own that computes something and prints it; it ends with this process.
     *
     * @param  list<string>  $command  program and arguments, which no shell sees
     * @return array{int, string, string}|null its exit status, what it printed, and its errors; null where it took longer
     */
    public function compute(array $command, string $folder, int $seconds): ?array
    {
        $process = new EngineProcess(
            [...EndsWithParent::command('KILL'), 'setsid', ...$command], $folder, EndsWithParent::ENVIRONMENT, null, null,
        );
        $process->start();
        $pause = self::FIRST_PAUSE;
        // Symfony's own time limit depends on the system clock, which may be set meanwhile.
        for ($end = Clock::seconds() + $seconds; $process->isRunning(); self::wait($pause)) {
            if (Clock::seconds() > $end) {
                $process->end();

                return null;
            }
            $pause = min(self::LONGEST_PAUSE, $pause * 2);
        }
        $status = $process->hasBeenSignaled() ? 128 + $process->getTermSignal() : (int) $process->getExitCode();

        return [$status, $process->getOutput(), $process->getErrorOutput()];
    }

    /**
     * Has the machine put on its disk what it holds of a file or folder, which can take minutes (sync(1), fsync(2)).
     *
     * @param  Closure(): void  $tick  called several times a second meanwhile
     *
     * @throws EngineFailed where the disk did not take it
     */
    public function putOnDisk(string $path, Closure $tick): void
    {
        // Of a folder that means its list of names: all of its file system is put there, and what is in it with that.
        $command = ['sync', ...(is_dir($path) ? ['--file-system'] : []), '--', $path];
        $process = new EngineProcess($command, null, ['LC_ALL' => 'C.UTF-8'], null, null);
        $process->start();
        $pause = self::FIRST_PAUSE;
        try {
            while ($process->isRunning()) {
                $tick();
                self::wait($pause);
                $pause = min(self::LONGEST_PAUSE, $pause * 2);
            }
        } catch (Throwable $e) {
            $process->stop();
            throw $e;
        }
        $process->getExitCode() === 0 ?: throw EngineFailed::saying($process->getErrorOutput());
    }

    /**
     * Whether a command ends within so many seconds, however it does. One that does not is left alone.
     *
     * @param  list<string>  $command  program and arguments
     */
    public function ends(array $command, float $seconds): bool
    {
        $process = self::begin($command);
        $ends = $this->comes(fn (): bool => ! $process->isRunning(), $seconds);
        $ends ?: $process->leave();

        return $ends;
    }

    /**
     * Whether something comes within so many seconds. A machine that is busy gives nobody time: it is late only where a program that was
     * begun after that has ended in a moment.
     *
     * @param  Closure(): bool  $has  whether it is there
     */
    public function comes(Closure $has, float $seconds): bool
    {
        for ($round = 0; $round < self::BUSY_ROUNDS; $round++) {
            if (self::within($has, $seconds)) {
                return true;
            }
            $begun = Clock::seconds();
            $other = self::begin(self::NOTHING);
            if (self::within(fn (): bool => ! $other->isRunning(), self::MOMENT)) {
                // All of the machine may have stood still until now.
                return self::within($has, self::LAST_LOOK + Clock::seconds() - $begun);
            }
            $other->leave();
        }

        return false;
    }

    /** Full path of a program, given by name or by path; null when it is not there. */
    public static function locate(string $name): ?string
    {
        if (! str_contains($name, '/')) {
            return (new ExecutableFinder)->find($name);
        }

        return is_file($name) && is_executable($name) ? $name : null;
    }

    private function process(Command $command, Limits $limits, ?string $folder): EngineProcess
    {
        $name = (string) config("crate.engine.{$command->program->value}");
        $path = self::locate($name) ?? throw EngineFailed::missing($name);

        return new EngineProcess(
            [...EndsWithParent::command('KILL'), 'setsid', ...$limits->command(), $path, ...$command->arguments],
            $folder,
            ['LC_ALL' => 'C.UTF-8', 'AV_LOG_FORCE_NOCOLOR' => '1'],
            null,
            $limits->seconds,
        );
    }

    /**
     * Suspends the engine until it is to go on. Time that it stands still counts for no limit.
     *
     * @param  Closure(): bool|null  $shouldStop
     * @param  Closure(): bool  $isPaused
     *
     * @throws Stopped
     */
    private function standStill(int $group, StallWatch $watch, ?Closure $shouldStop, Closure $isPaused): void
    {
        $begun = Clock::seconds();
        posix_kill(-$group, Signal::STOP);
        try {
            while ($isPaused()) {
                if ($shouldStop !== null && $shouldStop()) {
                    throw new Stopped;
                }
                $this->standstill->rest();
            }
        } finally {
            posix_kill(-$group, Signal::CONTINUE);
            $watch->forgive(Clock::seconds() - $begun);
        }
    }

    /**
     * A while until a program is looked at again. What is one of several things that this process does by turns lets the others go on
     * meanwhile, and is taken up again before long.
     */
    private static function wait(int $microseconds): void
    {
        Fiber::getCurrent() === null ? usleep($microseconds) : Fiber::suspend();
    }

    /** @param  list<string>  $command  program and arguments, which says nothing and may be left alone */
    private static function begin(array $command): EngineProcess
    {
        $process = new EngineProcess(['setsid', ...$command], '/', null, null, null);
        $process->disableOutput()->start();

        return $process;
    }

    /** @param  Closure(): bool  $has */
    private static function within(Closure $has, float $seconds): bool
    {
        $end = Clock::seconds() + $seconds;
        while (! $has()) {
            if (Clock::seconds() > $end) {
                return false;
            }
            usleep(1_000);
        }

        return true;
    }

    private function run(EngineProcess $process, Closure $take, ?Closure $meanwhile = null): void
    {
        $this->start($process, $take);
        try {
            $meanwhile === null ?: $meanwhile();
            $process->wait();
        } catch (Throwable $e) {
            $process->end();
            throw $e instanceof ProcessTimedOutException ? EngineFailed::unreadable() : $e;
        }
    }

    private function start(EngineProcess $process, ?Closure $take = null): void
    {
        try {
            $process->start($take);
        } catch (ProcessStartFailedException $e) {
            throw EngineFailed::missing($e->getProcess()->getCommandLine());
        }
    }
}
