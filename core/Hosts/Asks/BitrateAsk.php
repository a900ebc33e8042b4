<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/**
 * The bitrates that a host asks for, by frame size, frame rate and dynamic range. Between its rows a rate is interpolated over
 * pixels per second, both on a logarithmic scale: tables of hosts are near to straight lines there, and bend on a plain one. Outside
 * it the line through the two nearest rows is drawn on. Within a class of frame rates a table says one rate for all of them, so that
 * the frames a second are the same on both sides of a comparison, and pixels decide.
 */
final readonly class BitrateAsk
{
    /** Beyond these no line is drawn on: nobody asks for less, and no codec makes more. */
    private const LEAST = 16_000;

    private const MOST = 2_000_000_000;

    /**
     * @param  list<BitrateRow>  $rows  falling by size; empty where it does not say
     * @param  FrameRate  $highAbove  above it a frame rate counts as high
     * @param  Fraction  $hdrFactor  by which it asks more for HDR
     */
    public function __construct(public array $rows, public FrameRate $highAbove, public Fraction $hdrFactor)
    {
    }

    /** The row for a frame: its own class, or the next one above it; the largest for a frame above all. */
    public function row(FrameSize $size): ?BitrateRow
    {
        $fitting = null;
        foreach ($this->rows as $row) {
            if ($fitting === null || $row->shorterSide >= $size->shorterSide() || $row->holds($size)) {
                $fitting = $row;
            }
        }

        return $fitting;
    }

    /** What it asks for such a picture, and how that was found. */
    public function asked(FrameSize $size, FrameRate $rate, bool $hdr): ?AskedRate
    {
        $high = $rate->isAbove($this->highAbove);
        $of = fn (BitrateRow $row): RateRange => $row->rate($high, $hdr, $this->hdrFactor);
        foreach ($this->rows as $row) {
            if ($row->holds($size)) {
                return new AskedRate($of($row));
            }
        }
        if (count($this->rows) < 2) {
            return $this->rows === [] ? null : new AskedRate($of($this->rows[0]), 'its only row', true);
        }
        [$upper, $lower, $beyond] = $this->around($size);
        $at = self::position($size, $lower, $upper);

        return new AskedRate(
            new RateRange(
                self::along($of($lower)->floor, $of($upper)->floor, $at),
                self::along($of($lower)->ceiling, $of($upper)->ceiling, $at),
            ),
            match (true) {
                ! $beyond => "between {$lower->shorterSide} and {$upper->shorterSide} lines",
                $size->pixels() > $upper->pixels() => "beyond its {$upper->shorterSide} lines",
                default => "under its {$lower->shorterSide} lines",
            },
            $beyond,
        );
    }

    /** The floor of what it asks. */
    public function average(FrameSize $size, FrameRate $rate, bool $hdr): ?Bitrate
    {
        return $this->asked($size, $rate, $hdr)?->range->floor;
    }

    /** The most it takes at any time: of the row, or of the next above. */
    public function peak(FrameSize $size): ?Bitrate
    {
        return $this->row($size)?->peak;
    }

    /** What it asks for such a picture: 9 Mb/s; 35 to 45 Mb/s; 12 Mb/s, at most 22 Mb/s. */
    public function wordsFor(FrameSize $size, FrameRate $rate, bool $hdr): string
    {
        $asked = $this->asked($size, $rate, $hdr);
        $peak = $this->peak($size);

        return $asked === null ? '' : $asked->range.($peak === null ? '' : ", at most {$peak}");
    }

    /** @return array{BitrateRow, BitrateRow, bool} the rows above and below a frame, by pixels; the outermost two where it lies outside */
    private function around(FrameSize $size): array
    {
        $last = count($this->rows) - 1;
        foreach ($this->rows as $i => $row) {
            if ($i > 0 && $row->pixels() <= $size->pixels()) {
                return [$this->rows[$i - 1], $row, $i === 1 && $size->pixels() > $this->rows[0]->pixels()];
            }
        }

        return [$this->rows[$last - 1], $this->rows[$last], true];
    }

    /** 0 at the lower row, 1 at the upper one, on the logarithmic scale. */
    private static function position(FrameSize $size, BitrateRow $lower, BitrateRow $upper): float
    {
        return log($size->pixels() / $lower->pixels()) / log($upper->pixels() / $lower->pixels());
    }

    private static function along(Bitrate $lower, Bitrate $upper, float $at): Bitrate
    {
        $bits = $lower->bitsPerSecond * ($upper->bitsPerSecond / $lower->bitsPerSecond) ** $at;

        return (new Bitrate((int) round(max(self::LEAST, min(self::MOST, $bits)))))->times(new Fraction(1));
    }
}
