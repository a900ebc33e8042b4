<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Elements;

use InvalidArgumentException;

/**
 * The beginning of a Matroska file, before its first cluster (RFC 9559, 4.5). What is added to the picture's colour takes the place of
 * the room that writers leave behind their list of places, and of a tag that is there for nothing else, so that no cluster moves.
 */
final class SegmentHead
{
    /** A tag that makes room: it is taken out again. */
    public const ROOM = ['-metadata', 'ROOM=a hundred bytes for what is known of the display that this picture was graded on'];

    private const SEGMENT = "\x18\x53\x80\x67";

    private const PLACES = "\x11\x4D\x9B\x74";

    private const VOID = "\xEC";

    private const TRACKS = "\x16\x54\xAE\x6B";

    private const TRACK = "\xAE";

    private const VIDEO = "\xE0";

    private const COLOUR = "\x55\xB0";

    private const PLACE = "\x4D\xBB";

    private const POSITION = "\x53\xAC";

    private const TAGS = "\x12\x54\xC3\x67";

    private const TAG = "\x73\x73";

    private const SIMPLE_TAG = "\x67\xC8";

    /** Name of the tag that makes room, as an element (RFC 9559, 5.1.8.1.2.1). */
    private const ROOM_NAME = "\x45\xA3\x84ROOM";

    /** Elements that may stand before the first cluster: information, tracks, chapters, attachments, tags, room. */
    private const BEFORE_CLUSTERS = ["\x15\x49\xA9\x66", self::TRACKS, "\x10\x43\xA7\x70", "\x19\x41\xA4\x69", self::TAGS, self::VOID];

    /**
     * @param  string  $head  bytes of the file from its start, to its first cluster or beyond
     * @param  string  $elements  for the picture's colour, in place of those of their kind
     * @return string as many bytes
     *
     * @throws InvalidArgumentException where there is no room, or no picture
     */
    public static function adding(string $head, string $elements): string
    {
        [, , $segment] = Ebml::at($head, 0);
        if (substr($head, $segment, 4) !== self::SEGMENT) {
            throw new InvalidArgumentException('The file has no segment.');
        }
        $base = Ebml::inside($head, $segment);
        [$id, $content, $from] = Ebml::at($head, $base);
        if ($id !== self::PLACES) {
            throw new InvalidArgumentException('The file has no list of places.');
        }
        $places = substr($head, $content, $from - $content);
        [$pieces, $end] = self::pieces($head, $from, $elements);
        $room = $end - $from - strlen(implode('', $pieces));
        if ($room < 0 || $room === 1) {
            throw new InvalidArgumentException('There is no room for it.');
        }
        $moved = [];
        $at = $from;
        foreach ($pieces as $was => $piece) {
            $moved[$was - $base] = $at - $base;
            $at += strlen($piece);
        }
        $places = Ebml::element(self::PLACES, self::moved($places, $moved));
        if (strlen($places) !== $from - $base) {
            throw new InvalidArgumentException('Its list of places would change its length.');
        }

        return substr($head, 0, $base).$places.implode('', $pieces).Ebml::void($room).substr($head, $end);
    }

    /** @return array{array<int, string>, int} elements before the first cluster by where they lay, as they are to be; and where they end */
    private static function pieces(string $head, int $from, string $elements): array
    {
        $pieces = [];
        for ($at = $from; in_array(Ebml::id($head, $at), self::BEFORE_CLUSTERS, true); $at = $end) {
            [$id, $start, $end] = Ebml::at($head, $at);
            $content = substr($head, $start, $end - $start);
            if ($id !== self::VOID) {
                $pieces[$at] = match ($id) {
                    self::TRACKS => Ebml::element($id, self::withColour($content, $elements)),
                    self::TAGS => Ebml::element($id, self::withoutRoom($content)),
                    default => substr($head, $at, $end - $at),
                };
            }
        }

        return [$pieces, $at];
    }

    private static function withoutRoom(string $tags): string
    {
        $children = Ebml::children($tags);
        foreach ($children as $i => [$id, $content]) {
            if ($id === self::TAG) {
                $kept = [];
                foreach (Ebml::children($content) as [$part, $inside]) {
                    if ($part !== self::SIMPLE_TAG || ! str_contains($inside, self::ROOM_NAME)) {
                        $kept[] = [$part, $inside];
                    }
                }
                $children[$i] = [$id, Ebml::content($kept)];
            }
        }

        return Ebml::content($children);
    }

    private static function withColour(string $tracks, string $elements): string
    {
        $children = Ebml::children($tracks);
        foreach ($children as $i => [$id, $content]) {
            foreach ($id === self::TRACK ? Ebml::children($content) : [] as $j => [$part, $video]) {
                if ($part === self::VIDEO) {
                    $parts = Ebml::children($content);
                    $parts[$j] = [self::VIDEO, self::colouring($video, $elements)];
                    $children[$i] = [self::TRACK, Ebml::content($parts)];

                    return Ebml::content($children);
                }
            }
        }
        throw new InvalidArgumentException('The file has no picture.');
    }

    private static function colouring(string $video, string $elements): string
    {
        $own = [PictureElements::MASTERING, PictureElements::MAX_CLL, PictureElements::MAX_FALL];
        $colour = '';
        $parts = [];
        foreach (Ebml::children($video) as [$id, $content]) {
            if ($id === self::COLOUR) {
                $kept = array_filter(Ebml::children($content), static fn (array $part): bool => ! in_array($part[0], $own, true));
                $colour = Ebml::content(array_values($kept));
            } else {
                $parts[] = [$id, $content];
            }
        }
        $parts[] = [self::COLOUR, $colour.$elements];

        return Ebml::content($parts);
    }

    /** @param  array<int, int>  $moved  places by what they were */
    private static function moved(string $places, array $moved): string
    {
        $children = Ebml::children($places);
        foreach ($children as $i => [$id, $content]) {
            $parts = $id === self::PLACE ? Ebml::children($content) : [];
            foreach ($parts as $j => [$of, $position]) {
                if ($of === self::POSITION) {
                    $place = (int) hexdec(bin2hex($position));
                    $new = ltrim(pack('J', $moved[$place] ?? $place), "\0");
                    // Places keep their width where they can, so that the list keeps its length.
                    $parts[$j] = [$of, str_pad($new, strlen($position), "\0", STR_PAD_LEFT)];
                }
            }
            $children[$i] = $parts === [] ? $children[$i] : [$id, Ebml::content($parts)];
        }

        return Ebml::content($children);
    }
}
