<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/** How bright an HDR picture gets, in cd/m² (CTA-861.3, annex P): its brightest pixel, and its brightest frame on average. */
final readonly class ContentLight
{
    public function __construct(public int $brightestPixel, public int $brightestFrame)
    {
    }

    /** Null where neither is told: 0 stands for unknown (CTA-861.3, 3.2.1). */
    public static function told(int $brightestPixel, int $brightestFrame): ?self
    {
        return $brightestPixel < 1 && $brightestFrame < 1 ? null : new self($brightestPixel, $brightestFrame);
    }

    public function label(): string
    {
        return "MaxCLL {$this->brightestPixel}, MaxFALL {$this->brightestFrame}\u{2009}cd/m²";
    }

    /** @return array{maxCll: int, maxFall: int} */
    public function toArray(): array
    {
        return ['maxCll' => $this->brightestPixel, 'maxFall' => $this->brightestFrame];
    }
}
