<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Hosts\Asks\BitrateAsk;
use OuterCrate\Hosts\Asks\BitrateRow;
use OuterCrate\Hosts\Recompression\Rung;

/** A host in words, row by row: what it asks, its rates, what it does to an upload, where that was found. */
final class HostWords
{
    /** @return list<array{label: string, text: string}> each label once */
    public static function of(Host $host): array
    {
        $rows = $host->asks->inWords();
        $ask = $host->asks->bitrate;
        foreach ($ask->rows as $row) {
            $rows[] = ['label' => "{$row->shorterSide} lines", 'text' => self::row($row, $ask)];
        }
        if ($ask->hdrFactor->toFloat() !== 1.0) {
            $rows[] = ['label' => 'HDR', 'text' => "× {$ask->hdrFactor->toFloat()}"];
        }
        foreach ($host->recompression->tiers ?? [] as $tier) {
            $ladder = implode(' · ', array_map(self::rung(...), $tier->ladder));
            $when = array_map(static fn ($condition): string => $condition->words(), $tier->when);
            $rows[] = ['label' => "Tier {$tier->name}", 'text' => ($when === [] ? '' : implode(', or ', $when).': ').$ladder];
        }
        if ($host->recompression?->audio !== null) {
            $rows[] = ['label' => 'Audio it makes', 'text' => $host->recompression->audio->words()];
        }
        if ($host->notes !== '') {
            $rows[] = ['label' => 'Notes', 'text' => $host->notes];
        }
        foreach ($host->sources as $i => $source) {
            $text = $source->text.($source->lookedUp === null ? '' : ", looked up {$source->lookedUp}");
            $rows[] = ['label' => 'Source '.($i + 1), 'text' => ($source->of === '' ? '' : "{$source->of}: ").$text];
        }

        return $rows;
    }

    private static function row(BitrateRow $row, BitrateAsk $ask): string
    {
        return implode(', ', array_filter([
            (string) $row->normal,
            (string) $row->high === (string) $row->normal ? '' : "{$row->high} above {$ask->highAbove->label()} fps",
            $row->hdr === null ? '' : "HDR {$row->hdr}",
            $row->hdrHigh === null ? '' : "HDR {$row->hdrHigh} above {$ask->highAbove->label()} fps",
            $row->peak === null ? '' : "at most {$row->peak}",
        ]));
    }

    private static function rung(Rung $rung): string
    {
        return "{$rung->shorterSide} {$rung->codecName()} ".($rung->average ?? "quality {$rung->quality}");
    }
}
