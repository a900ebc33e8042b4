<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** VC-3. DNxHR is asked for by profile; DNxHD by the stated rate of its compression ID, in Mb/s. */
final class Vc3Arguments implements VideoArguments
{
    /** Mb/s by which the engine knows a compression ID: profile => height => rates. */
    private const STATED = [
        'hd-lb' => [1080 => [36, 45, 75, 90]],
        'hd-sq' => [1080 => [115, 120, 145, 240, 290], 720 => [60, 75, 120, 145]],
        'hd-hq' => [1080 => [175, 185, 220, 365, 440], 720 => [90, 110, 180, 220]],
        'hd-hqx' => [1080 => [175, 185, 365, 440], 720 => [90, 180, 220]],
    ];

    public function codec(): string
    {
        return 'dnxhd';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'dnxhd';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $profile = $plan->video->profile ?? 'hr-hqx';
        if (! str_starts_with($profile, 'hd-')) {
            return ['-profile:v', 'dnxhr_'.substr($profile, 3)];
        }
        $own = $plan->video->codec->ownRate($profile, $plan->frameSize->frame, $plan->frameRate->rate);
        $megabits = ($own->bitsPerSecond ?? 0) / 1_000_000;
        $stated = self::STATED[$profile][$plan->frameSize->frame->height] ?? [145];
        usort($stated, static fn (int $a, int $b): int => abs($a - $megabits) <=> abs($b - $megabits));

        return ['-profile:v', 'dnxhd', '-b:v', $stated[0].'M'];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 30_000_000;
    }
}
