<?php

declare(strict_types=1);

namespace OuterCrate\Pieces;

use InvalidArgumentException;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\Timecode;

/** Reads pieces out of a list that another program wrote: what it is says its content. */
final readonly class PieceList
{
    /** @param  Timecode  $start  of the cut's first frame */
    public function __construct(private Timecode $start, private FrameRange $range)
    {
    }

    /**
     * @return non-empty-list<Piece>
     *
     * @throws NoPieces
     */
    public function read(string $text): array
    {
        $lines = preg_split('~\r\n|\r|\n~', (string) preg_replace('~^\xEF\xBB\xBF~', '', mb_scrub($text))) ?: [];

        return match (true) {
            str_starts_with(trim($lines[0] ?? ''), 'WEBVTT') => $this->chapters($lines),
            preg_grep(self::EVENT, $lines) !== [] && preg_grep(self::EVENT, $lines) !== false => $this->events($lines),
            default => $this->places($lines),
        };
    }

    /** An event of CMX 3600: number, reel, track, kind of transition, source in and out, record in and out. */
    private const EVENT = '~^\s*(\d{3,6})\s+(\S+)\s+(\S+)\s+\S+(?:\s+\d+)?\s+(?:[\d:;]{11}\s+){2}([\d:;]{11})\s+([\d:;]{11})~';

    /**
     * Record times count: they say where in the cut a shot lies. Sound's events and black's are passed over.
     *
     * @param  list<string>  $lines
     * @return non-empty-list<Piece>
     */
    private function events(array $lines): array
    {
        $spans = [];
        foreach ($lines as $i => $line) {
            if (preg_match(self::EVENT, $line, $m) === 1) {
                if (str_starts_with($m[3], 'A') || $m[4] === $m[5]) {
                    continue;
                }
                $first = $this->frame($m[4], $i + 1);
                $last = $this->frame($m[5], $i + 1) - 1;
                $last >= $first ?: throw NoPieces::line($i + 1, 'it ends before it begins.');
                $spans[] = [new FrameRange(max(0, $first), max(0, $last)), $m[2]];
            } elseif ($spans !== [] && preg_match('~^\s*\*\s*FROM CLIP NAME:\s*(.+)$~i', $line, $m) === 1) {
                $spans[] = [array_pop($spans)[0], trim($m[1])];
            }
        }

        return Pieces::spans($this->range, $spans);
    }

    /**
     * @param  list<string>  $lines
     * @return non-empty-list<Piece>
     */
    private function chapters(array $lines): array
    {
        $spans = [];
        foreach ($lines as $i => $line) {
            if (preg_match('~^\s*((?:\d+:)?\d\d:\d\d\.\d{3})\s+-->\s+((?:\d+:)?\d\d:\d\d\.\d{3})~', $line, $m) === 1) {
                [$first, $last] = [$this->frameAt($m[1]), $this->frameAt($m[2]) - 1];
                $last >= $first ?: throw NoPieces::line($i + 1, 'it ends before it begins.');
                $spans[] = [new FrameRange($first, $last), trim($lines[$i + 1] ?? '')];
            }
        }

        return $spans === [] ? throw NoPieces::empty() : Pieces::spans($this->range, $spans);
    }

    /**
     * A place on each line, with a name behind it or not: a timecode of the cut, or the number of a frame from its start. With two places
     * on a line, the second is where its piece ends: the first frame that is no longer part of it.
     *
     * @param  list<string>  $lines
     * @return non-empty-list<Piece>
     */
    private function places(array $lines): array
    {
        [$points, $spans] = [[], []];
        $separator = self::separator($lines);
        foreach ($lines as $i => $line) {
            $fields = array_map(
                static fn (?string $field): string => trim((string) $field),
                str_getcsv($line, $separator, '"', ''),
            );
            if (trim(implode('', $fields)) === '' || str_starts_with($fields[0], '#')) {
                continue;
            }
            if (! self::isPlace($fields[0])) {
                // The first line may say what stands in the columns.
                $isHead = $points === [] && $spans === [] && $i === 0;
                $isHead ?: throw NoPieces::line($i + 1, "“{$fields[0]}” is no place such as 00:01:30:12 or 2262.");

                continue;
            }
            $first = $this->place($fields[0], $i + 1);
            if (isset($fields[1]) && self::isPlace($fields[1])) {
                $last = $this->place($fields[1], $i + 1) - 1;
                $last >= $first ?: throw NoPieces::line($i + 1, 'it ends before it begins.');
                $spans[] = [new FrameRange(max(0, $first), max(0, $last)), $fields[2] ?? ''];
            } else {
                $points[$first] = $fields[1] ?? '';
            }
        }
        if ($points !== [] && $spans !== []) {
            throw NoPieces::line(1, 'some lines have an end and some have none.');
        }

        return match (true) {
            $spans !== [] => Pieces::spans($this->range, $spans),
            $points !== [] => max(array_keys($points)) < $this->range->first || min(array_keys($points)) > $this->range->last
                ? throw NoPieces::outside()
                : Pieces::at($this->range, $points),
            default => throw NoPieces::empty(),
        };
    }

    /** @param  list<string>  $lines */
    private static function separator(array $lines): string
    {
        $all = implode("\n", $lines);

        return match (true) {
            str_contains($all, "\t") => "\t",
            // Not the one before the frames of a timecode.
            preg_match('~(?<![:\d])\d{1,2}:\d\d:\d\d;\d\d(?![:\d])~', $all) === 1 => ',',
            substr_count($all, ';') > substr_count($all, ',') => ';',
            default => ',',
        };
    }

    private static function isPlace(string $text): bool
    {
        return preg_match('~^(\d+|\d{1,2}:\d\d:\d\d[:;.]\d{2,3})$~', $text) === 1;
    }

    private function place(string $text, int $line): int
    {
        return match (true) {
            ctype_digit($text) => (int) $text,
            preg_match('~\.\d{3}$~', $text) === 1 => $this->frameAt($text),
            default => $this->frame($text, $line),
        };
    }

    /** Number of a frame within the cut, from its timecode. */
    private function frame(string $timecode, int $line): int
    {
        try {
            return Timecode::parse($timecode, $this->start->rate)->frame - $this->start->frame;
        } catch (InvalidArgumentException $e) {
            throw NoPieces::line($line, $e->getMessage());
        }
    }

    /** Number of the frame that begins at a time of the clock, or is nearest to it: `1:02:03.500`. */
    private function frameAt(string $clock): int
    {
        $milliseconds = 0;
        foreach (explode(':', strtok($clock, '.') ?: '0') as $part) {
            $milliseconds = $milliseconds * 60 + (int) $part;
        }
        $milliseconds = $milliseconds * 1000 + (int) substr($clock, -3);

        return (new Fraction($milliseconds, 1000))->times($this->start->rate->perSecond)->round();
    }
}
