<?php

namespace App\Supervision;

use Closure;

/**
 * Keeps the services and the guard running. Guard and supervisor restart each other. The supervisor ends on SIGTERM, or when the folder of
 * its roster is gone.
 */
final class Supervisor
{
    /** Longest time in seconds between checks of the services. It wakes earlier when one ends or is due to start. */
    private const LOOK_SECONDS = 1.0;

    /** Seconds that services have to end before they are killed; less than Guard::STOP_SECONDS. */
    private const STOP_SECONDS = 5.0;

    /** @var list<Service> */
    private array $services;

    /** Where this process started it. */
    private ?Program $guard = null;

    /** @param  Closure(): Program  $startGuard */
    public function __construct(private readonly Roster $roster, private readonly Closure $startGuard)
    {
    }

    public function run(): void
    {
        $signals = new Signals([SIGTERM, SIGINT, SIGHUP, SIGCHLD]);
        $this->roster->killServices();
        $this->roster->note(Roster::SUPERVISOR, ProcessId::of((int) getmypid()));
        $this->services = array_map(fn (ServiceDefinition $one): Service => new Service($one), $this->roster->services());
        $running = [];
        do {
            array_map(fn (Service $service) => $service->look(), $this->services);
            if ($running !== ($now = $this->running())) {
                $this->roster->noteRunning($running = $now);
            }
            if (! ($this->guard?->isRunning() ?? $this->roster->isAlive(Roster::GUARD))) {
                $this->guard = ($this->startGuard)();
                $this->roster->note(Roster::GUARD, $this->guard->id);
            }
            $signal = $signals->wait(min(self::LOOK_SECONDS, ...$this->secondsUntilStarts()));
        } while (in_array($signal, [null, SIGCHLD], true) && $this->roster->exists());
        $this->stop($signals);
    }

    /** @return list<float> */
    private function secondsUntilStarts(): array
    {
        return array_map(fn (Service $service): float => $service->secondsUntilStart(), $this->services);
    }

    private function stop(Signals $signals): void
    {
        $running = $this->running();
        array_map(fn (ProcessId $process) => $process->signal(SIGTERM), $running);
        for ($waited = 0.0; $waited < self::STOP_SECONDS && $this->isAnyRunning(); $waited += 0.1) {
            $signals->wait(0.1);
        }
        ProcessId::killSessions(array_values($running));
    }

    private function isAnyRunning(): bool
    {
        return array_filter($this->services, fn (Service $service): bool => $service->isRunning()) !== [];
    }

    /** @return array<string, ProcessId> */
    private function running(): array
    {
        $running = [];
        foreach ($this->services as $service) {
            if ($service->process() !== null) {
                $running[$service->definition->name] = $service->process();
            }
        }

        return $running;
    }
}
