<?php

namespace App\Supervision;

use App\Engine\Clock;

/**
 * A program that is kept running in its own session. It gets SIGTERM when the supervisor dies. Before a restart, all processes left in its
 * old session are killed; otherwise the orphans of a killed server would hold the port.
 */
final class Service
{
    /** Seconds that a program has to run before a restart counts as the first one again. */
    private const STEADY_SECONDS = 10.0;

    /** Seconds between an end and the next start: the first, and the longest for a program that ends again and again. */
    private const FIRST_DELAY = 0.1;

    private const MAX_DELAY = 3.0;

    private ?Program $program = null;

    private float $started = 0.0;

    private float $due = 0.0;

    private float $delay = self::FIRST_DELAY;

    private bool $isOver = false;

    public function __construct(public readonly ServiceDefinition $definition)
    {
    }

    public function process(): ?ProcessId
    {
        return $this->program?->id;
    }

    public function isRunning(): bool
    {
        return $this->program?->isRunning() ?? false;
    }

    /** Notes an end, and starts the program where it is due. */
    public function look(): void
    {
        if ($this->program !== null && ! $this->program->isRunning()) {
            $this->ended($this->program);
        }
        if ($this->program === null && ! $this->isOver && Clock::seconds() >= $this->due) {
            $this->started = Clock::seconds();
            $one = $this->definition;
            $this->program = Program::start($one->command, $one->folder, $one->log, $one->environment, endsWithUs: true);
        }
    }

    /** At least 0.01; infinite if the service is running or will not be started again. */
    public function secondsUntilStart(): float
    {
        return $this->program !== null || $this->isOver ? INF : max(0.01, $this->due - Clock::seconds());
    }

    private function ended(Program $program): void
    {
        $program->id->killSession();
        $this->program = null;
        $this->isOver = $program->exitStatus() !== null && $program->exitStatus() === $this->definition->lastStatus;
        if (Clock::seconds() - $this->started >= self::STEADY_SECONDS) {
            $this->delay = self::FIRST_DELAY;
        }
        $this->due = Clock::seconds() + $this->delay;
        $this->delay = min(self::MAX_DELAY, $this->delay * 2);
    }
}
