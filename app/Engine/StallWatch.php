<?php

namespace App\Engine;

use OuterCrate\Encoding\Progress;

/** Notices when an engine hangs: nothing of what it says of its progress has changed for a long time. */
final class StallWatch
{
    private string $said = '';

    private float $since;

    /** @param  int  $seconds  without any change after which it counts as hanging */
    public function __construct(private readonly int $seconds)
    {
        $this->since = microtime(true);
    }

    /** @param  float  $seconds  during which it was made to stand still */
    public function forgive(float $seconds): void
    {
        $this->since += $seconds;
    }

    /** @throws EngineFailed */
    public function look(?Progress $progress): void
    {
        $now = microtime(true);
        $says = $progress === null ? $this->said : "{$progress->frames} {$progress->seconds}";
        if ($says !== $this->said) {
            $this->said = $says;
            $this->since = $now;
        }
        if ($now - $this->since > $this->seconds) {
            throw EngineFailed::stalled($this->seconds, (int) ($progress->frames ?? 0));
        }
    }
}
