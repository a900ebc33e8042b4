<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

use InvalidArgumentException;

/** A picture, or a window of it, with chroma at half the width and height (4:2:0). */
final readonly class Picture
{
    public function __construct(public Plane $luma, public Plane $cb, public Plane $cr)
    {
    }

    /** Bytes of a picture of 4:2:0 in 10 bits, two for each sample; sides are even. */
    public static function bytes(int $width, int $height): int
    {
        return 3 * $width * $height;
    }

    /** @throws InvalidArgumentException when the bytes are not those of one picture */
    public static function ofBytes(int $width, int $height, string $bytes): self
    {
        $luma = 2 * $width * $height;

        return new self(
            Plane::ofBytes($width, $height, substr($bytes, 0, $luma)),
            Plane::ofBytes(intdiv($width, 2), intdiv($height, 2), substr($bytes, $luma, intdiv($luma, 4))),
            Plane::ofBytes(intdiv($width, 2), intdiv($height, 2), substr($bytes, $luma + intdiv($luma, 4))),
        );
    }
}
