<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

use OuterCrate\Reading\FrameOrder;

/**
 * Times and keyframes of a track from its sample tables: stts, ctts and stss (ISO/IEC 14496-12, 8.6). They speak for the
 * whole file, where reading packets would mean reading the file.
 */
final readonly class SampleTable
{
    /** About three hours at 25 fps; what comes after is taken to be alike. */
    private const MOST_SAMPLES = 300_000;

    /**
     * @param  Box  $table  the stbl box
     * @param  int  $timescale  ticks per second
     * @param  EditList  $edit  what is shown of it
     */
    public static function order(BoxReader $boxes, Box $table, int $timescale, EditList $edit): ?FrameOrder
    {
        $decoding = self::runs($boxes, $boxes->find($table, 'stts'), 8);
        if ($timescale < 1 || $decoding === []) {
            return null;
        }
        $offsets = self::runs($boxes, $boxes->find($table, 'ctts'), 8);
        $sync = $boxes->find($table, 'stss');
        // Without the table every sample is one to begin at.
        $keys = $sync === null ? null : array_fill_keys(array_column(self::runs($boxes, $sync, 4), 0), true);
        $order = new FrameOrder;
        $time = 0;
        $sample = 0;
        $offsetRun = 0;
        $offsetLeft = $offsets[0][0] ?? 0;
        foreach ($decoding as [$count, $delta]) {
            for ($i = 0; $i < $count && $sample < self::MOST_SAMPLES; $i++) {
                while ($offsetLeft === 0 && isset($offsets[$offsetRun + 1])) {
                    $offsetLeft = $offsets[++$offsetRun][0];
                }
                $offset = $offsets[$offsetRun][1] ?? 0;
                $offsetLeft = max(0, $offsetLeft - 1);
                $sample++;
                // A version 1 table has signed offsets; one of over half the range is one of those.
                $signed = $offset >= 0x8000_0000 ? $offset - 0x1_0000_0000 : $offset;
                $order->take(
                    shown: ($time + $signed) / $timescale,
                    keyframe: $keys === null || isset($keys[$sample]),
                    lasts: $delta / $timescale,
                    hidden: $edit->hides($time + $signed),
                );
                $time += $delta;
            }
        }

        return $order;
    }

    /**
     * Rows of a table of 32-bit numbers after version, flags and a count.
     *
     * @return list<array<int, int>>
     */
    private static function runs(BoxReader $boxes, ?Box $box, int $rowBytes): array
    {
        if ($box === null) {
            return [];
        }
        $count = BoxReader::number($boxes->content($box, 4, 4), 0, 4);
        $content = $boxes->content($box, 8, $rowBytes * min($count, self::MOST_SAMPLES));
        $numbers = unpack('N*', substr($content, 0, strlen($content) - strlen($content) % $rowBytes));
        if ($numbers === false || $numbers === []) {
            return [];
        }
        $rows = [];
        foreach (array_chunk($numbers, max(1, intdiv($rowBytes, 4))) as $row) {
            $rows[] = array_map(static fn (mixed $number): int => is_int($number) ? $number : 0, $row);
        }

        return $rows;
    }
}
