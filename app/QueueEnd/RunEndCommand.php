<?php

namespace App\QueueEnd;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Models\QueueEnd;
use App\Models\Work;
use App\Work\Kind;
use App\Work\Meter;

/** Runs the command that the configuration names when all of the queue is done; it reads what was made from its standard input. */
class RunEndCommand implements Kind
{
    /** Seconds that it may take. */
    private const PATIENCE = 3_600;

    public function __construct(private readonly Runner $runner)
    {
    }

    public function name(): string
    {
        return 'after';
    }

    public function does(): string
    {
        return 'runs the command at the end';
    }

    public function priority(): int
    {
        return 40;
    }

    public function givesWay(): bool
    {
        return false;
    }

    public function atOnce(): ?int
    {
        return 1;
    }

    public function staleAfter(): ?int
    {
        return null;
    }

    public function brokeDown(): string
    {
        return 'The command for the end of the queue broke down. storage/logs says more; what was made is untouched.';
    }

    public function isAsked(): bool
    {
        return self::command() !== [];
    }

    public function run(Work $work, Meter $meter): void
    {
        $end = QueueEnd::query()->find($work->subject);
        if ($end === null || ! $this->isAsked()) {
            return;
        }
        $meter->hold(self::PATIENCE);
        $status = $this->runner->handOver(self::command(), $end->json(), self::PATIENCE);
        if ($status !== 0) {
            throw new EngineFailed(
                'The command for the end of the queue, '.basename(self::command()[0]).", ended with status {$status}.",
                'Run it by hand, and look what it says.',
            );
        }
    }

    /** @return list<string> program and arguments */
    private static function command(): array
    {
        return array_values(array_map(strval(...), (array) config('crate.end.command')));
    }
}
