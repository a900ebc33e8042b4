<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** The frame size that a line of a table is about, as help pages name it. */
final class SizeWords
{
    /** Names of sizes, the longer before those that they contain, and their shorter sides in pixels. */
    private const NAMES = [
        '8k' => 4320, 'quad hd' => 1440, 'qhd' => 1440, 'full hd' => 1080, 'fullhd' => 1080, 'fhd' => 1080, 'ultra hd' => 2160,
        'uhd' => 2160, '4k' => 2160, '2k' => 1440, 'hd' => 720,
    ];

    /** Shorter sides that a bare number stands for. */
    private const SIDES = [144, 240, 270, 288, 360, 432, 480, 540, 576, 720, 900, 1080, 1152, 1440, 2160, 4320];

    /**
     * Shorter side in pixels; null where the text names no size.
     *
     * @param  bool  $bare  a number of a usual size is one, without a word that says so
     */
    public static function in(string $text, bool $bare = true): ?int
    {
        $text = mb_strtolower($text);
        if (preg_match('~(?<!\d)(\d{3,5})\s*(?:x|×|by)\s*(\d{3,5})(?!\d)~u', $text, $m) === 1) {
            return min((int) $m[1], (int) $m[2]);
        }
        if (preg_match('~(?<![\d.,])(\d{3,4})\s*[pi](?![a-z])~', $text, $m) === 1) {
            return (int) $m[1];
        }
        foreach (self::NAMES as $name => $side) {
            if (preg_match("~(?<![a-z\\d]){$name}(?![a-z\\d])~", $text) === 1) {
                return $side;
            }
        }

        return $bare && preg_match('~^\D*(\d{3,4})\D*$~', $text, $m) === 1 && in_array((int) $m[1], self::SIDES, true) ? (int) $m[1] : null;
    }
}
