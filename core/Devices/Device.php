<?php

declare(strict_types=1);

namespace OuterCrate\Devices;

use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** What a kind of player plays, and what it does not: hard limits, in one place (devices/, resources/schema/device.json). */
final readonly class Device
{
    /**
     * @param  non-empty-list<PictureAsk>  $pictures
     * @param  non-empty-list<string>  $codecs  ids
     * @param  string|null  $level  that the stream may not pass
     * @param  int|null  $slices  that every picture is coded in, at least
     * @param  bool  $statesBuffer  the stream tells its buffer and when its pictures are shown (ISO/IEC 14496-10, annexes C and D)
     * @param  Bitrate  $peak  at which its buffer is filled
     * @param  int  $buffer  bits that it holds ready
     * @param  Fraction  $keyframes  seconds from one keyframe to the next, at most
     * @param  non-empty-list<ColourSpace>  $colours
     * @param  array<mixed>  $file  that it was read from (resources/schema/device.json)
     */
    public function __construct(
        public string $slug,
        public string $name,
        public string $about,
        public array $pictures,
        public array $codecs,
        public ?string $level,
        public ?int $slices,
        public bool $statesBuffer,
        public Bitrate $peak,
        public int $buffer,
        public Fraction $keyframes,
        public array $colours,
        private array $file = [],
    ) {
    }

    /** @return array<string, mixed> the device's file, with its slug */
    public function toArray(): array
    {
        return ['slug' => $this->slug, 'file' => $this->file];
    }

    public function picture(FrameSize $size, FrameRate $rate): ?PictureAsk
    {
        foreach ($this->pictures as $picture) {
            if ($picture->size->equals($size) && $picture->has($rate)) {
                return $picture;
            }
        }

        return null;
    }

    /** @return list<FrameRate> at which it plays frames of this size, rising; empty where it plays none */
    public function ratesOf(FrameSize $size): array
    {
        $rates = [];
        foreach ($this->pictures as $picture) {
            array_push($rates, ...$picture->size->equals($size) ? $picture->rates : []);
        }
        usort($rates, static fn (FrameRate $a, FrameRate $b): int => $a->perSecond->compare($b->perSecond));

        return $rates;
    }

    /** 1920×1080 at 23.976 or 24; 1280×720 at 50 … */
    public function picturesInWords(): string
    {
        return implode('; ', array_map(static fn (PictureAsk $picture): string => $picture->words(), $this->pictures));
    }
}
