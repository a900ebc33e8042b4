<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Presets\Role;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** Is it the right file, whole, and one that its host takes? */
final class BeforeSending
{
    /** Characters of a name that some hosts and drives stumble over. */
    private const STRANGE = '~[\x00-\x1f<>:"/\\\\|?*]|^[.\-]|\.\.~u';

    /** @return list<Remark> the gravest first */
    public static function remarks(FileFacts $file, Takes $takes, float $bytesPerSecond): array
    {
        $remarks = [...self::rightFile($file), ...self::whole($file), ...self::taken($file, $takes)];
        if (! $file->hasSound) {
            $remarks[] = Remark::caution('sound', 'It has no sound.', 'Send it if that is meant.');
        }
        if (preg_match(self::STRANGE, $file->name) === 1 || mb_strlen($file->name) > 100) {
            $remarks[] = Remark::caution(
                'name',
                "Its name, “{$file->name}”, may be shown or changed by the host.",
                'Give it a plain, short one.',
            );
        }
        $seconds = $file->bytes / max(1.0, $bytesPerSecond);
        $remarks[] = Remark::note('time', 'It takes about '.self::time($seconds).' on this line.');
        usort($remarks, static fn (Remark $a, Remark $b): int => self::order($a) <=> self::order($b));

        return $remarks;
    }

    /** @return list<Remark> */
    private static function rightFile(FileFacts $file): array
    {
        $other = 'Send the upload that was made for this host.';
        $remarks = match ($file->role) {
            Role::Upload => [],
            null => [Remark::caution('file', 'It was not made here: nothing is known of what it is.', 'Look at it before you send it.')],
            Role::Master => [Remark::caution('file', 'This is the master, not an upload.', $other)],
            default => [Remark::caution('file', "This was made as {$file->role->value}, not as an upload.", $other)],
        };
        if ($file->isProject) {
            $remarks[] = Remark::stop('file', 'This is no video.', 'Choose the file that was made.');
        }
        if ($file->newer !== null) {
            $remarks[] = Remark::caution(
                'version',
                "A newer one was made: {$file->newer}.",
                'Send that one, unless this is meant.',
            );
        }
        if ($file->madeFor !== null && $file->madeFor !== $file->host) {
            $remarks[] = Remark::caution(
                'host',
                "It was made for {$file->madeFor}, not for {$file->host}.",
                'Send the one that was made for this host.',
            );
        }
        if ($file->differences > 0) {
            $remarks[] = Remark::caution(
                'slip',
                'Its slip tells of '.($file->differences === 1 ? 'a difference' : "{$file->differences} differences").' from its plan.',
                'Read the slip first.',
            );
        }
        if ($file->cutChanged) {
            $remarks[] = Remark::caution(
                'cut',
                'The cut was changed since this was made.',
                'Pack it again, unless this version is meant.',
            );
        }
        if ($file->sentBefore !== null) {
            $remarks[] = Remark::caution(
                'before',
                "It was sent to this host already, on {$file->sentBefore}.",
                'Send it again only if that is meant.',
            );
        }

        return $remarks;
    }

    /** @return list<Remark> */
    private static function whole(FileFacts $file): array
    {
        return match ($file->isUnchanged) {
            null => [],
            true => [Remark::note('checksum', 'It is what was made, byte for byte.')],
            false => [Remark::stop('checksum', 'It was changed since it was made.', 'Make it again.')],
        };
    }

    /** @return list<Remark> */
    private static function taken(FileFacts $file, Takes $takes): array
    {
        $remarks = [];
        if ($takes->bytes !== null && $file->bytes > $takes->bytes) {
            $remarks[] = Remark::stop(
                'bytes',
                'It has '.new ByteCount($file->bytes).'; the host takes '.new ByteCount($takes->bytes).'.',
                'Pack it smaller.',
            );
        }
        if ($takes->seconds !== null && $file->seconds > $takes->seconds) {
            $remarks[] = Remark::stop(
                'length',
                'It is '.self::time($file->seconds).' long; the host takes '.self::time($takes->seconds).'.',
                'Shorten its range.',
            );
        }

        return $remarks;
    }

    private static function time(float $seconds): string
    {
        return (string) new Duration(new Fraction((int) ceil($seconds)));
    }

    private static function order(Remark $remark): int
    {
        return ['stop' => 0, 'caution' => 1, 'note' => 2][$remark->severity->value];
    }
}
