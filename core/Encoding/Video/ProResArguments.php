<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/**
 * ProRes. The engine has two encoders: one four times as fast that spends more bits on grain, one that searches for the best
 * quantiser of each slice and keeps nearer to the stated rate. Effort chooses.
 */
final class ProResArguments implements VideoArguments
{
    private const PROFILES = ['proxy' => '0', 'lt' => '1', 'standard' => '2', 'hq' => '3', 'p4444' => '4', 'p4444xq' => '5'];

    public function codec(): string
    {
        return 'prores';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return $picture?->effort === 'fast' ? 'prores' : 'prores_ks';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return [
            '-profile:v', self::PROFILES[$plan->video->profile ?? 'hq'] ?? '3',
            '-vendor', 'apl0',
            ...($plan->frameRate->scan->isInterlaced() ? InterlaceArguments::of($plan->frameRate->scan) : []),
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return $picture->effort === 'fast' ? 26_000_000 : 6_200_000;
    }
}
