<?php

namespace App\Engine;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** The engine could not do what it was asked. The message is for the person; the detail is what the engine said. */
final class EngineFailed extends RuntimeException implements Refused
{
    use Says;

    /** What people call the signals that end a program (POSIX.1-2017, signal.h). */
    private const SIGNALS = [
        Signal::KILL => 'KILL',
        Signal::TERM => 'TERM',
        Signal::SEGMENT => 'SEGV',
        Signal::ABORT => 'ABRT',
        Signal::PROCESSOR_TIME => 'XCPU',
        Signal::FILE_SIZE => 'XFSZ',
    ];

    /** What encoders that reckon with a first pass say where its average cannot be had. */
    private const TOO_LOW = 'bitrate too low for this video';

    public readonly string $detail;

    public function __construct(string $what, string $todo, string $kept = '', string $detail = '')
    {
        $this->say($what, $todo, $kept);
        $this->detail = $detail;
    }

    public static function missing(string $program): self
    {
        return new self("The engine is missing: {$program} is not installed.", 'Run bin/setup, or install the ffmpeg package.');
    }

    public static function noPicture(): self
    {
        return new self('There is no picture in this file.', 'Choose a file with video.');
    }

    public static function endless(): self
    {
        return new self('This took far longer than such a file should, and was given up.', 'The file may be damaged: play it through.');
    }

    public static function unreadable(): self
    {
        return new self('The file took too long to read and was left alone.', 'It may be damaged: play it through.');
    }

    public static function stalled(int $seconds, int $frames): self
    {
        return new self(
            "The engine hung: nothing moved for {$seconds} s after {$frames} frames.",
            'Try again; if it hangs at the same place, the cut may be damaged there.',
            'It was ended, and the unfinished file was removed.',
        );
    }

    /** @param  string  $said  before it ended: where it broke down over what it had said already, that is what counts */
    public static function killed(int $signal, string $said = ''): self
    {
        if (str_contains($said, self::TOO_LOW)) {
            return self::saying($said);
        }
        $name = self::SIGNALS[$signal] ?? (string) $signal;
        $why = $signal === Signal::KILL ? 'The machine may have run out of memory: close other programs, then try again.' : 'Try again.';

        return new self("The engine was ended by the signal {$name}.", $why, 'The unfinished file was removed.');
    }

    /** Turns the engine's last words into something to act on. */
    public static function saying(string $detail): self
    {
        [$what, $todo, $kept] = match (true) {
            str_contains($detail, 'No space left on device') => [
                'The drive is full.', 'Make room and pack again.', 'The unfinished file was removed.',
            ],
            str_contains($detail, 'Permission denied') => [
                'The folder cannot be written to.', 'Choose another folder, or change who may write there.', '',
            ],
            str_contains($detail, 'Invalid data found') => [
                'The cut could not be decoded to its end.', 'It may be damaged; play it through, or export it again.', '',
            ],
            str_contains($detail, self::TOO_LOW) => [
                'Its encoder does not come down to the average asked.', 'Ask for more, or for a smaller frame.', '',
            ],
            default => ['The engine stopped: '.(self::lastLine($detail) ?: 'it gave no reason').'.', '', ''],
        };

        return new self($what, $todo, $kept, $detail);
    }

    /** Whether it came of an average that its encoder does not come down to. */
    public function isOfRate(): bool
    {
        return str_contains($this->detail, self::TOO_LOW);
    }

    public function id(): string
    {
        return 'engine';
    }

    public function status(): int
    {
        return 503;
    }

    private static function lastLine(string $detail): string
    {
        $lines = array_values(array_filter(array_map(trim(...), explode("\n", $detail))));
        $last = (string) preg_replace('~^\[[^]]*]\s*~', '', (string) end($lines));

        return rtrim(mb_strimwidth($last, 0, 300, '…'), '.');
    }
}
