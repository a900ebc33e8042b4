<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

use OuterCrate\Reading\Packets\Packet;

/** The packets of a movie's picture from its sample tables: what the prober would list, without asking it. */
final class PicturePackets
{
    /**
     * @param  resource  $stream  seekable, opened for reading
     * @param  int  $bytes  of the file
     * @return list<Packet>|null in the order of decoding, times counted from the first frame that is shown; null where the tables do not
     *     tell: another container, a movie in fragments, more pictures than one, one that is shown in pieces
     */
    public static function of($stream, int $bytes): ?array
    {
        $boxes = new BoxReader($stream, $bytes);
        $outermost = array_column($boxes->outermost(), null, 'type');
        $movie = $outermost['moov'] ?? null;
        if ($movie === null || isset($outermost['moof'])) {
            return null;
        }
        $children = $boxes->children($movie);
        $pictures = array_filter($children, static fn (Box $box): bool => $box->type === 'trak' && self::isPicture($boxes, $box));
        $header = array_column($children, null, 'type')['mvhd'] ?? null;

        return count($pictures) === 1 && $header !== null ? self::track($boxes, reset($pictures), $boxes->ticks($header)) : null;
    }

    private static function isPicture(BoxReader $boxes, Box $track): bool
    {
        $handler = $boxes->find($track, 'mdia/hdlr');

        return $handler !== null && $boxes->content($handler, 8, 4) === 'vide';
    }

    /** @return list<Packet>|null */
    private static function track(BoxReader $boxes, Box $track, int $movieTicks): ?array
    {
        $header = $boxes->find($track, 'mdia/mdhd');
        $table = $boxes->find($track, 'mdia/minf/stbl');
        $ticks = $header === null ? 0 : $boxes->ticks($header);
        $edit = $ticks < 1 ? null : EditList::of($boxes, $track, $ticks, $movieTicks);
        $sizes = $table === null ? null : SampleTable::sizes($boxes, $table);
        if ($table === null || $edit === null || $sizes === null) {
            return null;
        }
        $packets = [];
        foreach (SampleTable::samples($boxes, $table) as [$shown, $isKeyframe, $lasts]) {
            $packets[] = new Packet(
                stream: 0,
                shown: ($shown - $edit->from) / $ticks,
                decoded: null,
                lasts: $lasts / $ticks,
                bytes: $sizes[count($packets)] ?? 0,
                keyframe: $isKeyframe,
                hidden: $edit->hides($shown),
            );
        }

        return count($packets) === count($sizes) ? $packets : null;
    }
}
