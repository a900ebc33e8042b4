<?php

namespace App\Models;

/** Where a run stands. */
enum RunState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Checking = 'checking';
    case Done = 'done';
    case Failed = 'failed';
    case Stopped = 'stopped';

    public function isOver(): bool
    {
        return in_array($this, [self::Done, self::Failed, self::Stopped], true);
    }

    /** @return list<string> */
    public static function underWay(): array
    {
        return [self::Waiting->value, self::Running->value, self::Checking->value];
    }
}
