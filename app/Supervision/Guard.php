<?php

namespace App\Supervision;

use App\Engine\Clock;
use Closure;

/** The process that bin/start turns into: restarts the supervisor, announces the address, and stops everything on Ctrl-C. */
final class Guard
{
    private const LOOK_SECONDS = 0.5;

    /** Seconds until the port answers. */
    private const READY_SECONDS = 60.0;

    /** Seconds that the supervisor has to end: more than it gives its services. */
    private const STOP_SECONDS = 8.0;

    /** Starts of a supervisor in so many seconds after which something else is wrong. */
    private const MAX_STARTS = 20;

    private const STARTS_SECONDS = 60.0;

    /** @var list<float> when the supervisor was started */
    private array $starts = [];

    /** Where this process started it. */
    private ?Program $supervisor = null;

    /**
     * @param  Closure(): Program  $startSupervisor
     * @param  Closure(string): void  $say
     */
    public function __construct(private readonly Roster $roster, private readonly Closure $startSupervisor, private readonly Closure $say)
    {
    }

    /**
     * @param  bool  $isFirst  whether a person waits for the pages at a terminal
     * @return int exit status
     */
    public function run(bool $isFirst): int
    {
        $signals = new Signals([SIGTERM, SIGINT, SIGHUP, SIGCHLD]);
        $this->roster->note(Roster::GUARD, ProcessId::of((int) getmypid()));
        $isAnnounced = ! $isFirst;
        $begun = Clock::seconds();
        do {
            if (! ($this->supervisor?->isRunning() ?? $this->roster->isAlive(Roster::SUPERVISOR)) && ! $this->startAgain()) {
                ($this->say)('The supervisor ended again and again; storage/logs/supervisor.log says why.');

                return 1;
            }
            if (! $isAnnounced && $this->answers()) {
                array_map($this->say, $this->roster->front()['announcement']);
                $isAnnounced = true;
            }
            if (! $isAnnounced && Clock::seconds() - $begun > self::READY_SECONDS) {
                $this->stop($signals);
                ($this->say)('The pages did not answer within a minute. storage/logs/nginx.log and php-fpm.log say why.');

                return 1;
            }
            $signal = $signals->wait($isAnnounced ? self::LOOK_SECONDS : 0.02);
        } while (in_array($signal, [null, SIGCHLD], true) && $this->roster->exists());
        $farewell = $this->roster->exists() ? $this->roster->front()['farewell'] : '';
        $this->stop($signals);
        $farewell === '' ?: ($this->say)("\n{$farewell}");

        return 0;
    }

    private function startAgain(): bool
    {
        $now = Clock::seconds();
        $this->starts = [...array_filter($this->starts, fn (float $start): bool => $now - $start < self::STARTS_SECONDS), $now];
        if (count($this->starts) > self::MAX_STARTS) {
            return false;
        }
        $this->roster->killServices();
        $this->supervisor = ($this->startSupervisor)();
        $this->roster->note(Roster::SUPERVISOR, $this->supervisor->id);

        return true;
    }

    private function stop(Signals $signals): void
    {
        $supervisor = $this->roster->noted(Roster::SUPERVISOR);
        $supervisor?->signal(SIGTERM);
        for ($begun = Clock::seconds(); $supervisor?->isAlive() && Clock::seconds() - $begun < self::STOP_SECONDS;) {
            $signals->wait(0.1);
        }
        $supervisor?->signal(SIGKILL);
        $this->roster->killServices();
        $this->roster->forget();
    }

    /** If nginx starts before PHP-FPM, it answers 503 at first. */
    private function answers(): bool
    {
        ['address' => $address, 'port' => $port] = $this->roster->front();
        $context = stream_context_create(['http' => ['timeout' => 10.0, 'ignore_errors' => true]]);
        $page = @file_get_contents("http://{$address}:{$port}/", false, $context);

        return $page !== false && preg_match('~^HTTP/\S+ [1-4]~', $http_response_header[0] ?? '') === 1;
    }
}
