<?php

namespace App\Engine;

use Symfony\Component\Process\Process;

/**
 * A program that is left alone where it cannot be ended. One that waits for a drive which hangs takes no signal until that answers (“D”
 * in ps(1)), and whoever waits for its end would hang with it.
 */
final class EngineProcess extends Process
{
    /** Seconds in which a program ends that was told to. */
    private const PATIENCE = 5.0;

    private const PAUSE = 2_000;

    private bool $isLeft = false;

    private int $group = 0;

    /** Whether anybody hears what it says. */
    private bool $isHeard = true;

    /** @param  array<string, string>  $env */
    public function start(?callable $callback = null, array $env = []): void
    {
        parent::start($callback === null ? null : function (string $type, string $data) use ($callback): void {
            $this->isHeard && $callback($type, $data);
        }, $env);
        $this->group = (int) $this->getPid();
    }

    /**
     * Ends it and whatever it started, all of its session; also when the first of it has ended already.
     *
     * @throws EngineStuck
     */
    public function end(): void
    {
        $this->group > 0 && posix_kill(-$this->group, Signal::KILL);
        $this->stop(0);
    }

    /**
     * Ends it by itself.
     *
     * @throws EngineStuck
     */
    public function stop(float $timeout = 10, ?int $signal = null): ?int
    {
        if ($this->isLeft) {
            return null;
        }
        // More of what it says is read while it is ended, and once more when it is forgotten, which may be in the midst of anything.
        $this->isHeard = false;
        $this->isRunning() && posix_kill($this->group, Signal::KILL);
        for ($end = Clock::seconds() + self::PATIENCE; $this->isRunning(); usleep(self::PAUSE)) {
            if (Clock::seconds() > $end) {
                $this->leave();
                throw new EngineStuck($this->group);
            }
        }

        return $this->getExitCode();
    }

    /** Nobody waits for it any more, nor ends it. */
    public function leave(): void
    {
        $this->isLeft = true;
    }
}
