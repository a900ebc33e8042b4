<?php

namespace App\Supervision;

/** Signals to this process, kept until they are asked for. They are caught and not blocked: its children would inherit a block. */
final class Signals
{
    /** @var list<int> */
    private array $caught = [];

    /** @param  list<int>  $signals */
    public function __construct(array $signals)
    {
        pcntl_async_signals(true);
        foreach ($signals as $signal) {
            pcntl_signal($signal, function (int $signal): void {
                $this->caught[] = $signal;
            });
        }
    }

    /** The signal that came since the last time, or that ends this wait of so many seconds; null where none did. */
    public function wait(float $seconds): ?int
    {
        if ($this->caught === []) {
            usleep((int) (1e6 * $seconds));
        }

        return array_shift($this->caught);
    }
}
