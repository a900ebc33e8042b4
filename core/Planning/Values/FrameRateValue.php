<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Scan;
use OuterCrate\Units\FrameRate;

/** Frames per second and scan; whether fields are woven into frames on the way. */
final readonly class FrameRateValue implements Value
{
    /** @param  bool  $convert frames are repeated or dropped to reach the rate */
    public function __construct(public FrameRate $rate, public Scan $scan, public bool $deinterlace, public bool $convert)
    {
    }

    public function label(): string
    {
        return $this->rate->label().match (true) {
            $this->scan->isInterlaced() => ' · interlaced',
            $this->deinterlace => ' · made progressive',
            default => '',
        };
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'rate' => (string) $this->rate,
            'scan' => $this->scan->value,
            'deinterlace' => $this->deinterlace,
            'convert' => $this->convert,
        ];
    }
}
