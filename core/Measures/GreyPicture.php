<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** A frame as a little grey picture of a byte a pixel (DecodeCommand::pictures()), to tell whether two frames are one. */
final readonly class GreyPicture
{
    public function __construct(private string $bytes)
    {
    }

    /**
     * How much of the two pictures is not the same but for brightness and contrast, in grey levels: each is drawn as nearly as
     * possible from the other, and what is left of both is added. A grade, another range or another matrix leaves nothing.
     */
    public function unlike(self $other): float
    {
        $count = strlen($this->bytes);
        if ($count === 0 || $count !== strlen($other->bytes)) {
            return 255.0;
        }
        $sums = [0, 0, 0, 0, 0];
        for ($i = 0; $i < $count; $i++) {
            [$x, $y] = [ord($this->bytes[$i]), ord($other->bytes[$i])];
            $sums[0] += $x;
            $sums[1] += $y;
            $sums[2] += $x * $x;
            $sums[3] += $y * $y;
            $sums[4] += $x * $y;
        }
        $ofX = $sums[2] / $count - ($sums[0] / $count) ** 2;
        $ofY = $sums[3] / $count - ($sums[1] / $count) ** 2;
        $shared = max(0.0, $sums[4] / $count - $sums[0] * $sums[1] / $count ** 2);
        $left = static fn (float $own, float $others): float => sqrt(max(0.0, $own - ($others > 0 ? $shared ** 2 / $others : 0.0)));

        return $left($ofX, $ofY) + $left($ofY, $ofX);
    }

    /** Mean distance of two of them in grey levels, 0 to 255; 255 where their sizes differ. */
    public function distance(self $other): float
    {
        $count = strlen($this->bytes);
        if ($count === 0 || $count !== strlen($other->bytes)) {
            return 255.0;
        }
        $sum = 0;
        for ($i = 0; $i < $count; $i++) {
            $sum += abs(ord($this->bytes[$i]) - ord($other->bytes[$i]));
        }

        return $sum / $count;
    }
}
