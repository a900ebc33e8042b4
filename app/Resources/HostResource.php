<?php

namespace App\Resources;

use OuterCrate\Hosts\BitrateRow;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Tier;

/** A host as its page shows it: what it asks, and what it does to an upload (resources/schema/host-list.json). */
final class HostResource
{
    /** @return array<string, mixed> */
    public static function of(Host $host): array
    {
        return [
            'slug' => $host->slug,
            'name' => $host->name,
            'about' => $host->about,
            'asks' => $host->asks->inWords(),
            'highFrameRateAbove' => $host->asks->bitrate->highAbove->label(),
            'bitrates' => array_map(self::row(...), $host->asks->bitrate->rows),
            'recompression' => $host->recompression?->words(),
            'tiers' => array_map(self::tier(...), $host->recompression->tiers ?? []),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(BitrateRow $row): array
    {
        return [
            'shorterSide' => $row->shorterSide,
            'normal' => (string) $row->normal,
            'high' => (string) $row->high,
            'peak' => $row->peak === null ? null : (string) $row->peak,
        ];
    }

    /** @return array<string, mixed> */
    private static function tier(Tier $tier): array
    {
        return [
            'name' => $tier->name,
            'when' => implode(', or ', array_map(fn (Condition $condition): string => $condition->words(), $tier->when)),
            'ladder' => array_map(fn (Rung $rung): array => [
                'shorterSide' => $rung->shorterSide,
                'codec' => $rung->codecName(),
                'bits' => $rung->average === null ? "quality {$rung->quality}" : (string) $rung->average,
                'keyframes' => "{$rung->keyframeSeconds->toFloat()} s",
                'speed' => $rung->speed,
            ], $tier->ladder),
        ];
    }
}
