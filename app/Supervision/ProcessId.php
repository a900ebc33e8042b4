<?php

namespace App\Supervision;

/** A process that cannot be mistaken for a later one with the same number: its number and when it began. */
final readonly class ProcessId
{
    /** Fields of /proc/PID/stat after the name in brackets, counted from 0 (proc(5)): state, session, start in clock ticks. */
    private const STATE = 0;

    private const SESSION = 3;

    private const BEGAN = 19;

    /** A process that waits for a drive takes no signal until that answers: it is not waited for. */
    private const MAX_KILL_ROUNDS = 100;

    private const KILL_PAUSE = 2_000;

    private function __construct(public int $number, public string $began)
    {
    }

    /** Null where there is no such process, or only what is left of one that ended. */
    public static function of(int $number): ?self
    {
        $fields = self::stat($number);

        return $fields === null ? null : new self($number, $fields[self::BEGAN]);
    }

    public static function fromText(string $text): ?self
    {
        return preg_match('~^(\d+) (\d+)$~', trim($text), $m) === 1 ? new self((int) $m[1], $m[2]) : null;
    }

    public function __toString(): string
    {
        return "{$this->number} {$this->began}";
    }

    public function isAlive(): bool
    {
        return self::of($this->number)?->began === $this->began;
    }

    /**
     * All processes in the session that this process leads or led. The kernel does not reuse its number while any of them runs; a process
     * with that number and a later start shows that all have ended.
     *
     * @return list<int>
     */
    public function session(): array
    {
        return self::inSessions([$this]);
    }

    /**
     * @param  list<self>  $leaders
     * @return list<int> all processes in the sessions of these leaders, which may have ended
     */
    private static function inSessions(array $leaders): array
    {
        $sessions = [];
        foreach ($leaders as $leader) {
            $now = self::of($leader->number);
            if ($now === null || $now->began === $leader->began) {
                $sessions[$leader->number] = true;
            }
        }
        $members = [];
        foreach ($sessions === [] ? [] : (glob('/proc/[0-9]*', GLOB_NOSORT) ?: []) as $folder) {
            $number = (int) basename($folder);
            $fields = self::stat($number);
            if ($fields !== null && isset($sessions[(int) $fields[self::SESSION]])) {
                $members[] = $number;
            }
        }

        return $members;
    }

    public function signal(int $signal): void
    {
        if ($this->isAlive()) {
            posix_kill($this->number, $signal);
        }
    }

    /** Kills all processes in its session. */
    public function killSession(): void
    {
        self::killSessions([$this]);
    }

    /**
     * Kills all processes in these sessions, and repeats it: a process may have started another one meanwhile.
     *
     * @param  list<self>  $leaders
     */
    public static function killSessions(array $leaders): void
    {
        for ($round = 0; $round < self::MAX_KILL_ROUNDS && ($left = self::inSessions($leaders)) !== []; $round++) {
            array_map(fn (int $number): bool => posix_kill($number, SIGKILL), $left);
            usleep(self::KILL_PAUSE);
        }
    }

    /** @return list<string>|null */
    private static function stat(int $number): ?array
    {
        $stat = @file_get_contents("/proc/{$number}/stat");
        if ($stat === false || $stat === '') {
            return null;
        }
        $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));

        return in_array($fields[self::STATE], ['Z', 'X'], true) ? null : $fields;
    }
}
