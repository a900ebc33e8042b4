<?php

namespace App\Models;

/** Where a piece of work stands. */
enum WorkState: string
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
        return [self::Waiting->value, ...self::inHand()];
    }

    /** @return list<string> */
    public static function inHand(): array
    {
        return [self::Running->value, self::Checking->value];
    }
}
