<?php

namespace App\Engine;

use OuterCrate\Encoding\Progress;

/** Notices when an engine hangs: nothing of what it says of its progress has changed for a long time. */
final class StallWatch
{
    private string $said = '';

    private float $since;

    private float $begun;

    /**
     * @param  int  $seconds  without any change after which it counts as hanging
     * @param  float|null  $most  seconds that it may take in all; the clock on the wall may be set meanwhile
     */
    public function __construct(private readonly int $seconds, private readonly ?float $most)
    {
        $this->begun = $this->since = Clock::seconds();
    }

    /** @param  float  $seconds  during which it was made to stand still */
    public function forgive(float $seconds): void
    {
        $this->since += $seconds;
        $this->begun += $seconds;
    }

    /** @throws EngineFailed */
    public function look(?Progress $progress): void
    {
        $now = Clock::seconds();
        $says = $progress === null ? $this->said : "{$progress->frames} {$progress->seconds}";
        if ($says !== $this->said) {
            $this->said = $says;
            $this->since = $now;
        }
        if ($this->most !== null && $now - $this->begun > $this->most) {
            throw EngineFailed::endless();
        }
        if ($now - $this->since > $this->seconds) {
            throw EngineFailed::stalled($this->seconds, (int) ($progress->frames ?? 0));
        }
    }
}
