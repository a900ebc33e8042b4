<?php

declare(strict_types=1);

namespace OuterCrate\Naming;

/** Names that every common file system takes. */
final class FileName
{
    /** Bytes of a name without its ending: 255 at most on all of them, less what a version and a partial file add. */
    private const MOST_BYTES = 180;

    /** Names that stand for devices on some systems, whatever the ending. */
    private const DEVICES = '~^(con|prn|aux|nul|com[1-9]|lpt[1-9])$~i';

    /** Leaves out what is forbidden anywhere (control characters, path separators, : * ? " < > |, dots and spaces at the ends). */
    public static function safe(string $name): string
    {
        $plain = (string) preg_replace(['~[\x00-\x1F\x7F/\\\\:*?"<>|]+~u', '~\s+~u'], ['-', ' '], mb_scrub($name));
        $short = self::short(trim($plain, ' .'));

        return match (true) {
            $short === '' => 'untitled',
            preg_match(self::DEVICES, explode('.', $short)[0]) === 1 => "{$short}-",
            default => $short,
        };
    }

    /** What is too long loses its middle: the ending says what a file is. */
    private static function short(string $name): string
    {
        if (strlen($name) <= self::MOST_BYTES) {
            return $name;
        }
        $ending = preg_match('~\.\w{1,5}$~', $name, $m) === 1 ? $m[0] : '';

        return rtrim(mb_strcut($name, 0, self::MOST_BYTES - strlen($ending)), ' .').$ending;
    }

    /** `Night firing master.mov`, `Night firing master v2.mov` …; a folder has no ending. */
    public static function version(string $name, int $version): string
    {
        $ending = preg_match('~\.\w{1,5}$~', $name, $m) === 1 ? $m[0] : '';

        return $version === 1 ? $name : substr($name, 0, strlen($name) - strlen($ending))." v{$version}{$ending}";
    }
}
