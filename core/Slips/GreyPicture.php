<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

/** A frame as a little grey picture of a byte a pixel (DecodeCommand::pictures()), to tell whether two frames are one. */
final readonly class GreyPicture
{
    public function __construct(private string $bytes)
    {
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
