<?php

namespace App\Packing;

use App\Models\Run;
use OuterCrate\Encoding\Progress;
use OuterCrate\Formats\Video\NoPicture;
use OuterCrate\Units\Fraction;

/** Writes a run's progress down, a few times a second. */
final class RunMeter
{
    private const INTERVAL = 0.3;

    private int $passedWeight = 0;

    private float $written = 0.0;

    private readonly float $begun;

    /** Of sound that is made alone, which has no frames to count. */
    private readonly ?float $seconds;

    public function __construct(private readonly Run $run)
    {
        $this->begun = microtime(true);
        $sound = ($run->plan['values']['picture']['codec'] ?? '') === NoPicture::ID;
        $this->seconds = $sound ? max(0.001, Fraction::tryParse($run->plan['duration'] ?? null)?->toFloat() ?? 1.0) : null;
    }

    /** @return bool whether it was written down this time */
    public function note(Progress $progress, int $weight): bool
    {
        $now = microtime(true);
        if ($now - $this->written < self::INTERVAL && ! $progress->ended) {
            return false;
        }
        $this->written = $now;
        $total = max(1, (int) $this->run->plan['frames']);
        $frames = $this->seconds === null ? $progress->frames : (int) round($total * min(1.0, ($progress->seconds ?? 0.0) / $this->seconds));
        $done = $this->passedWeight + $weight * min(1.0, $frames / $total);
        $elapsed = $now - $this->begun;
        $this->run->update([
            'frames' => min($frames, $total),
            'percent' => min(99, (int) floor($done)),
            'speed' => $progress->framesPerSecond,
            // The first moments say little about the rest.
            'seconds_left' => $done < 2 || $elapsed < 1 ? null : (int) ceil($elapsed * (100 - $done) / $done),
        ]);

        return true;
    }

    public function endPass(int $weight): void
    {
        $this->passedWeight += $weight;
    }
}
