<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

/**
 * The part of a track's media that is shown (ISO/IEC 14496-12, 8.6.6), where that is one piece: frames before it are decoded for
 * those that are built on them, and not shown.
 */
final readonly class EditList
{
    private const MOST_ENTRIES = 64;

    /** An entry that shows nothing. */
    private const EMPTY = -1;

    /**
     * @param  int  $from  tick of the media that is shown first
     * @param  int|null  $until  tick that is shown no more; null for all that follows
     */
    private function __construct(public int $from, private ?int $until)
    {
    }

    /**
     * @param  int  $mediaTicks  per second, of the track
     * @param  int  $movieTicks  per second, of the movie
     * @return self|null null where several pieces are shown, or one at another speed: only playing it tells what is seen
     */
    public static function of(BoxReader $boxes, Box $track, int $mediaTicks, int $movieTicks): ?self
    {
        $list = $boxes->find($track, 'edts/elst');
        $shown = array_values(array_filter(
            $list === null ? [] : self::entries($boxes, $list),
            static fn (array $entry): bool => $entry['media'] !== self::EMPTY,
        ));
        if ($shown === []) {
            return new self(0, null);
        }
        if (count($shown) > 1 || $shown[0]['speed'] !== 1 || $movieTicks < 1) {
            return null;
        }
        ['media' => $from, 'length' => $length] = $shown[0];
        $until = (int) round($length * $mediaTicks / $movieTicks);

        return new self($from, $length === 0 ? null : $from + $until);
    }

    /** @param  int  $tick  of the media, at which a frame is to be shown */
    public function hides(int $tick): bool
    {
        return $tick < $this->from || ($this->until !== null && $tick >= $this->until);
    }

    /** @return list<array{length: int, media: int, speed: int}> */
    private static function entries(BoxReader $boxes, Box $list): array
    {
        $long = BoxReader::number($boxes->content($list, 0, 1), 0, 1) === 1;
        $bytes = $long ? 20 : 12;
        $count = min(self::MOST_ENTRIES, BoxReader::number($boxes->content($list, 4, 4), 0, 4));
        $content = $boxes->content($list, 8, $bytes * $count);
        $entries = [];
        for ($at = 0; $at + $bytes <= strlen($content); $at += $bytes) {
            $number = $long ? 8 : 4;
            $media = BoxReader::number($content, $at + $number, $number);
            $entries[] = [
                'length' => BoxReader::number($content, $at, $number),
                'media' => ! $long && $media >= 0x8000_0000 ? $media - 0x1_0000_0000 : $media,
                'speed' => BoxReader::number($content, $at + 2 * $number, 2),
            ];
        }

        return $entries;
    }
}
