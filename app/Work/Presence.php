<?php

namespace App\Work;

use App\Models\Setting;
use App\Models\Work;
use App\Models\WorkState;

/** Whether anyone takes work in hand: a worker says that it is there every few seconds, and while it works its lease says so. */
final class Presence
{
    private const KEY = 'worker_seen';

    /** Seconds between signs of life. */
    private const EVERY = 5;

    /** Seconds without one after which no worker is there. */
    private const MISSED = 20;

    private float $said = 0.0;

    public function say(): void
    {
        if (microtime(true) - $this->said >= self::EVERY) {
            $this->said = microtime(true);
            Setting::query()->updateOrCreate(['key' => self::KEY], ['value' => time(), 'updated_at' => now()]);
        }
    }

    public static function isThere(): bool
    {
        $seen = (int) (Setting::find(self::KEY)->value ?? 0);

        return time() - $seen <= self::MISSED
            || Work::query()->whereIn('state', WorkState::inHand())->where('lease_until', '>', Work::now())->exists();
    }
}
