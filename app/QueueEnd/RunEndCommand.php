<?php

namespace App\QueueEnd;

use App\Configuration\QueueEndSettings;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Models\QueueEnd;
use App\Models\Work;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;

/** Runs the command that the configuration names when all of the queue is done; it reads what was made from its standard input. */
class RunEndCommand implements Kind
{
    /** Seconds that it may take. */
    private const PATIENCE = 3_600;

    public function __construct(private readonly Runner $runner)
    {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: 'after',
            does: 'runs the command at the end',
            failure: 'An unexpected error stopped the end-of-queue command. Finished files are unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::Notice,
            atOnce: 1,
            delaysEnd: true,
        );
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
        return app(QueueEndSettings::class)->command;
    }
}
