<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** The bitrates that a host asks for, by frame size, frame rate and dynamic range. */
final readonly class BitrateAsk
{
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
            if ($fitting === null || $row->shorterSide >= $size->shorterSide()) {
                $fitting = $row;
            }
        }

        return $fitting;
    }

    public function average(FrameSize $size, FrameRate $rate, bool $hdr): ?Bitrate
    {
        $row = $this->row($size);

        return $row === null ? null
            : ($rate->isAbove($this->highAbove) ? $row->high : $row->normal)->times($hdr ? $this->hdrFactor : new Fraction(1));
    }

    public function peak(FrameSize $size): ?Bitrate
    {
        return $this->row($size)?->peak;
    }

    /** What it asks for such a picture: 9 Mb/s; 12 Mb/s, at most 22 Mb/s. */
    public function wordsFor(FrameSize $size, FrameRate $rate, bool $hdr): string
    {
        $average = $this->average($size, $rate, $hdr);
        $peak = $this->peak($size);

        return $average === null ? '' : $average.($peak === null ? '' : ", at most {$peak}");
    }
}
