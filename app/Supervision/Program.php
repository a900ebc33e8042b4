<?php

namespace App\Supervision;

use App\Engine\EndsWithParent;
use RuntimeException;

/** A program that this process started, in a session of its own. */
final class Program
{
    private ?int $status = null;

    private bool $hasEnded = false;

    /** @param  resource  $handle */
    private function __construct(private $handle, public readonly ProcessId $id)
    {
    }

    /**
     * @param  list<string>  $command  program and arguments, which no shell sees
     * @param  array<string, string>  $environment  in addition to this process's own
     * @param  bool  $endsWithUs  whether it gets SIGTERM when this process dies for any reason (prctl(2), PR_SET_PDEATHSIG)
     */
    public static function start(array $command, string $folder, string $log, array $environment = [], bool $endsWithUs = false): self
    {
        $file = ['file', $log, 'a'];
        // setsid, setpriv and perl replace themselves with the next program, so the process number stays and leads the session.
        $handle = @proc_open(
            ['setsid', ...($endsWithUs ? EndsWithParent::command('TERM') : []), ...$command],
            [['file', '/dev/null', 'r'], $file, $file],
            $pipes,
            $folder,
            $environment + EndsWithParent::ENVIRONMENT + getenv(),
        );
        $number = $handle === false ? null : proc_get_status($handle)['pid'];
        $id = $number === null ? null : ProcessId::of($number);
        if ($id === null) {
            throw new RuntimeException('This could not be started: '.implode(' ', $command));
        }

        return new self($handle, $id);
    }

    /** Also reaps the process if it has ended, so that it does not stay as a zombie. */
    public function isRunning(): bool
    {
        if (! $this->hasEnded) {
            $status = proc_get_status($this->handle);
            $this->hasEnded = ! $status['running'];
            $this->status = $this->hasEnded && ! $status['signaled'] ? $status['exitcode'] : null;
        }

        return ! $this->hasEnded;
    }

    /** Its exit status once it has ended by itself; null while it runs, and where a signal ended it. */
    public function exitStatus(): ?int
    {
        return $this->status;
    }
}
