<?php

namespace App\Media;

use OuterCrate\Measures\Picture;
use OuterCrate\Transit\Windows;
use OuterCrate\Units\FrameSize;

/** A file of pictures of 4:2:0 in 10 bits, one after another; windows of them are read row by row, since the whole fills the memory. */
final class RawPictures
{
    /** @var resource */
    private $stream;

    /** @throws FileProblem when it is not there */
    public function __construct(string $path, private readonly FrameSize $size)
    {
        $this->stream = @fopen($path, 'rb') ?: throw new FileProblem(
            'The frames that were to be measured have gone.',
            $path,
            'Test again.',
        );
    }

    public function __destruct()
    {
        fclose($this->stream);
    }

    /**
     * One of every Windows::STRIDE samples of luma of every so many rows.
     *
     * @param  int  $picture  counted from 0
     * @return list<int>
     */
    public function sparse(int $picture): array
    {
        $samples = [];
        $width = $this->size->width;
        for ($y = 0; $y < $this->size->height; $y += Windows::STRIDE) {
            $row = $this->bytes($this->start($picture) + 2 * $y * $width, 2 * $width);
            for ($x = 0; $x < $width; $x += Windows::STRIDE) {
                $samples[] = ord($row[2 * $x] ?? '') | ord($row[2 * $x + 1] ?? '') << 8;
            }
        }

        return $samples;
    }

    /** @param  int  $picture  counted from 0; corner and sides of its windows are even */
    public function window(int $picture, int $left, int $top): Picture
    {
        [$wide, $high] = Windows::sides($this->size->width, $this->size->height);
        $luma = 2 * $this->size->width * $this->size->height;
        $start = $this->start($picture);
        $bytes = $this->rows($start, $this->size->width, $left, $top, $wide, $high);
        foreach ([$luma, $luma + intdiv($luma, 4)] as $plane) {
            $bytes .= $this->rows($start + $plane, intdiv($this->size->width, 2), ...array_map(
                fn (int $pixels): int => intdiv($pixels, 2),
                [$left, $top, $wide, $high],
            ));
        }

        return Picture::ofBytes($wide, $high, $bytes);
    }

    private function rows(int $plane, int $stride, int $left, int $top, int $width, int $height): string
    {
        $bytes = '';
        for ($y = $top; $y < $top + $height; $y++) {
            $bytes .= $this->bytes($plane + 2 * ($y * $stride + $left), 2 * $width);
        }

        return $bytes;
    }

    private function start(int $picture): int
    {
        return $picture * Picture::bytes($this->size->width, $this->size->height);
    }

    private function bytes(int $at, int $count): string
    {
        fseek($this->stream, $at);

        return (string) fread($this->stream, max(1, $count));
    }
}
