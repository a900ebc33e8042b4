<?php

namespace App\Console;

use App\Models\Work;
use App\Models\WorkState;
use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** Work that ended without a result: what went wrong says itself what to do. */
final class NotDone extends RuntimeException implements Refused
{
    use Says;

    private function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    /** @param  string  $what  was being done */
    public static function of(Work $work, string $what): self
    {
        return $work->state === WorkState::Stopped
            ? new self("The {$what} was stopped.", 'Begin it again: what was made is kept.')
            : new self((string) $work->error, '');
    }

    public function id(): string
    {
        return 'not-done';
    }

    public function status(): int
    {
        return 422;
    }
}
