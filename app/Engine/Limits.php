<?php

namespace App\Engine;

use OuterCrate\Encoding\Commands\Allowance;

/** What a process of the engine may take: a damaged or hostile file must not take the machine with it. */
final readonly class Limits
{
    /**
     * @param  int  $seconds  of the clock
     * @param  int|null  $memory  bytes of address space
     * @param  int|null  $file  bytes of the largest file it writes
     * @param  int  $niceness  0 to 19: how far it stands back behind other processes
     * @param  int  $stall  seconds without progress after which it counts as hanging
     */
    private function __construct(public int $seconds, private ?int $memory, private ?int $file, private int $niceness, public int $stall)
    {
    }

    public static function of(Allowance $allowance): self
    {
        $set = config("crate.engine.limits.{$allowance->value}");

        return new self($set['seconds'], $set['memory'], $set['file'], $set['niceness'], (int) config('crate.engine.stall'));
    }

    /** @return list<string> what comes before the program */
    public function command(): array
    {
        return [
            'prlimit', '--core=0',
            ...($this->memory === null ? [] : ["--as={$this->memory}"]),
            ...($this->file === null ? [] : ["--fsize={$this->file}"]),
            'nice', '-n', (string) $this->niceness,
        ];
    }
}
