<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

use InvalidArgumentException;

/** One component of a picture, or of a window of it: samples of 10 bits in narrow range (ITU-R BT.709, 3: black 64, white 940). */
final readonly class Plane
{
    public const BLACK = 64;

    public const WHITE = 940;

    /**
     * @param  list<int>  $samples  row by row, 0 to 1023
     *
     * @throws InvalidArgumentException when there are not as many samples as the plane has places
     */
    public function __construct(public int $width, public int $height, public array $samples)
    {
        if ($width < 1 || $height < 1 || count($samples) !== $width * $height) {
            throw new InvalidArgumentException("A plane of {$width}×{$height} cannot have ".count($samples).' samples.');
        }
    }

    /**
     * @param  string  $bytes  two for each sample, the lower first
     *
     * @throws InvalidArgumentException when they are too few or too many
     */
    public static function ofBytes(int $width, int $height, string $bytes): self
    {
        /** @var array<int, int> $numbers */
        $numbers = $bytes === '' ? [] : unpack('v*', $bytes);

        return new self($width, $height, array_values($numbers));
    }
}
