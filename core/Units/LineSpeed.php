<?php

declare(strict_types=1);

namespace OuterCrate\Units;

/** How fast the person's line sends: what the last files that were sent have shown, or what the person said. */
final readonly class LineSpeed
{
    /** As many of the last files count; the middle one speaks, so that one bad evening changes nothing. */
    public const FILES = 5;

    /** A file that was through sooner tells of signing in and waiting, not of the line. */
    private const LEAST_SECONDS = 10;

    /** What goes over the line for each byte: about 4 % are headers of TCP/IP, TLS and HTTP. */
    private const OVERHEAD = 1.04;

    /** @param  int  $files  it was learnt from; 0 where the person said it */
    private function __construct(public int $bitsPerSecond, public int $files)
    {
    }

    /** @param  positive-int  $bitsPerSecond */
    public static function said(int $bitsPerSecond): self
    {
        return new self($bitsPerSecond, 0);
    }

    /**
     * @param  list<array{bytes: int, seconds: int}>  $sent  files and how long they took, the latest first
     */
    public function taught(array $sent): self
    {
        $speeds = [];
        foreach ($sent as ['bytes' => $bytes, 'seconds' => $seconds]) {
            if ($seconds >= self::LEAST_SECONDS && $bytes > 0 && count($speeds) < self::FILES) {
                $speeds[] = $bytes * 8 * self::OVERHEAD / $seconds;
            }
        }
        sort($speeds);
        $middle = intdiv(count($speeds), 2);

        return match (true) {
            $speeds === [] => $this,
            count($speeds) % 2 === 1 => new self((int) round($speeds[$middle]), count($speeds)),
            default => new self((int) round(($speeds[$middle - 1] + $speeds[$middle]) / 2), count($speeds)),
        };
    }

    /** Seconds that a file takes. */
    public function toSend(int $bytes): float
    {
        return $bytes * 8 * self::OVERHEAD / max(1, $this->bitsPerSecond);
    }

    /** Bytes of a file that is through in so many seconds. */
    public function sentIn(float $seconds): float
    {
        return $seconds * $this->bitsPerSecond / self::OVERHEAD / 8;
    }
}
