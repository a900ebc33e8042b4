<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** A frame as a little grey picture of a byte a pixel (DecodeCommand::pictures()), to tell whether two frames are one. */
final readonly class GreyPicture
{
    /** Standard deviation in grey levels under which a picture is as good as flat. */
    private const STRUCTURE = 4.0;

    /** Grey levels squared that keep it steady where there is little. */
    private const STEADY = 1.0;

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
        $together = new Together;
        $together->add($this->bytes, $other->bytes);
        [$ofX, $ofY, $shared] = [$together->ofOne(), $together->ofOther(), max(0.0, $together->shared())];
        $left = static fn (float $own, float $others): float => sqrt(max(0.0, $own - ($others > 0 ? $shared ** 2 / $others : 0.0)));

        return $left($ofX, $ofY) + $left($ofY, $ofX);
    }

    /**
     * How much of this picture's structure another one has, from 0 to 1, whatever its brightness and contrast: the third term of SSIM
     * (Wang et al., IEEE Transactions on Image Processing 13 (4), 2004, equation 10), over the whole picture; its constant is small, and
     * under the line alone, so that a flat picture has nothing of it.
     *
     * @return float|null null where this one has none
     */
    public function structureIn(self $other): ?float
    {
        $together = new Together;
        $together->add($this->bytes, $other->bytes);
        $own = sqrt(max(0.0, $together->ofOne()));

        return $own < self::STRUCTURE
            ? null
            : max(0.0, $together->shared() / ($own * sqrt(max(0.0, $together->ofOther())) + self::STEADY));
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
