<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

/** How far a file is on its way to its host. */
enum Stage: string
{
    /** Until its file is made, its hour has come, or the line is free. */
    case Waiting = 'waiting';
    case Sending = 'sending';

    /** Nothing goes on until the person does something. */
    case NeedsYou = 'needs-you';

    /** At its host, seen by nobody, or by those alone who have its address. */
    case Held = 'held';
    case Released = 'released';
    case Failed = 'failed';
    case Stopped = 'stopped';

    /** Taken away from its host again. */
    case Removed = 'removed';

    public function words(): string
    {
        return match ($this) {
            self::Waiting => 'waiting',
            self::Sending => 'being sent',
            self::NeedsYou => 'waits for you',
            self::Held => 'held',
            self::Released => 'released',
            self::Failed => 'not sent',
            self::Stopped => 'stopped',
            self::Removed => 'removed',
        };
    }

    /** Whether its host has all of it. */
    public function hasArrived(): bool
    {
        return in_array($this, [self::Held, self::Released], true);
    }

    /** @return list<self> stages that still need the file */
    public static function needingFile(): array
    {
        return [self::Waiting, self::Sending, self::NeedsYou];
    }

    public function isOver(): bool
    {
        return in_array($this, [self::Released, self::Failed, self::Stopped, self::Removed], true);
    }
}
