<?php

namespace App\Engine;

use RuntimeException;

/** The engine could not do what it was asked. The message is for the person; the detail is what the engine said. */
final class EngineFailed extends RuntimeException
{
    public function __construct(string $message, public readonly string $detail = '')
    {
        parent::__construct($message);
    }

    public static function missing(string $program): self
    {
        return new self("The engine is missing: {$program} is not installed. Run bin/setup, or install the ffmpeg package.");
    }

    /** Turns the engine's last words into something to act on. */
    public static function saying(string $detail): self
    {
        return new self(match (true) {
            str_contains($detail, 'No space left on device') => 'The drive is full. The unfinished file was removed; make room and pack again.',
            str_contains($detail, 'Permission denied') => 'The folder cannot be written to. Choose another folder, or change who may write there.',
            str_contains($detail, 'Invalid data found') => 'The cut could not be decoded to its end. It may be damaged; play it through, or export it again.',
            default => 'The engine stopped: '.(self::lastLine($detail) ?: 'it gave no reason').'.',
        }, $detail);
    }

    private static function lastLine(string $detail): string
    {
        $lines = array_values(array_filter(array_map(trim(...), explode("\n", $detail))));

        return rtrim(mb_strimwidth((string) preg_replace('~^\[[^]]*]\s*~', '', (string) end($lines)), 0, 300, '…'), '.');
    }
}
