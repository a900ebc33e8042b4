<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

use OuterCrate\Reading\Packets\FrameOrder;

/**
 * Times, keyframes and sizes of a track from its sample tables: stts, ctts, stss and stsz (ISO/IEC 14496-12, 8.6 and 8.7). They speak
 * for the whole file, where reading packets would mean reading the file.
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
        $order = null;
        foreach (self::samples($boxes, $table) as [$shown, $isKeyframe, $lasts]) {
            if ($timescale < 1) {
                break;
            }
            $order ??= new FrameOrder;
            $order->take(
                shown: $shown / $timescale,
                keyframe: $isKeyframe,
                lasts: $lasts / $timescale,
                hidden: $edit->hides($shown),
            );
        }

        return $order;
    }

    /**
     * The samples in the order of decoding.
     *
     * @return iterable<array{int, bool, int}> tick at which it is shown, whether it is one to begin at, and ticks for which it lasts
     */
    public static function samples(BoxReader $boxes, Box $table): iterable
    {
        $offsets = self::runs($boxes, $boxes->find($table, 'ctts'), 8);
        $sync = $boxes->find($table, 'stss');
        // Without the table every sample is one to begin at.
        $keys = $sync === null ? null : array_fill_keys(array_column(self::runs($boxes, $sync, 4), 0), true);
        $time = 0;
        $sample = 0;
        $offsetRun = 0;
        $offsetLeft = $offsets[0][0] ?? 0;
        foreach (self::runs($boxes, $boxes->find($table, 'stts'), 8) as [$count, $delta]) {
            for ($i = 0; $i < $count && $sample < self::MOST_SAMPLES; $i++) {
                while ($offsetLeft === 0 && isset($offsets[$offsetRun + 1])) {
                    $offsetLeft = $offsets[++$offsetRun][0];
                }
                $offset = $offsets[$offsetRun][1] ?? 0;
                $offsetLeft = max(0, $offsetLeft - 1);
                $sample++;
                // A version 1 table has signed offsets; one of over half the range is one of those.
                $signed = $offset >= 0x8000_0000 ? $offset - 0x1_0000_0000 : $offset;
                yield [$time + $signed, $keys === null || isset($keys[$sample]), $delta];
                $time += $delta;
            }
        }
    }

    /**
     * Bytes of each sample, from the table stsz (8.7.3.2).
     *
     * @return list<int>|null null where there is no such table, or it is longer than is looked at
     */
    public static function sizes(BoxReader $boxes, Box $table): ?array
    {
        $sizes = $boxes->find($table, 'stsz');
        $header = $sizes === null ? '' : $boxes->content($sizes, 4, 8);
        $count = BoxReader::number($header, 4, 4);
        if ($sizes === null || $count > self::MOST_SAMPLES) {
            return null;
        }
        $all = BoxReader::number($header, 0, 4);
        $bytes = $all > 0 ? array_fill(0, $count, $all) : array_column(self::runs($boxes, $sizes, 4, 8), 0);

        return count($bytes) === $count ? $bytes : null;
    }

    /**
     * Rows of a table of 32-bit numbers after a count.
     *
     * @param  int  $count  byte at which the count stands: after version and flags, where nothing else comes before it
     * @return list<array<int, int>>
     */
    private static function runs(BoxReader $boxes, ?Box $box, int $rowBytes, int $count = 4): array
    {
        if ($box === null) {
            return [];
        }
        $rows = BoxReader::number($boxes->content($box, $count, 4), 0, 4);
        $content = $boxes->content($box, $count + 4, $rowBytes * min($rows, self::MOST_SAMPLES));
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
