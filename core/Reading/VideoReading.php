<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\Scan;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** One video stream of a file, as it is stored. */
final readonly class VideoReading
{
    /**
     * @param  Fraction  $sampleAspect  width of a pixel over its height
     * @param  int  $rotation  degrees clockwise that a player turns the picture: 0, 90, 180 or 270
     * @param  int  $frames  as counted by the file, or from its length and rate
     */
    public function __construct(
        public int $index,
        public string $codec,
        public string $codecName,
        public ?string $profile,
        public ?int $level,
        public FrameSize $size,
        public Fraction $sampleAspect,
        public int $rotation,
        public FrameRate $frameRate,
        public bool $variableRate,
        public Scan $scan,
        public PixelFormat $pixelFormat,
        public Colour $colour,
        public int $frames,
        public ?Bitrate $bitrate,
        public bool $masteringMetadata,
        public ?string $projection,
    ) {
    }

    /** Size in square pixels, upright as a player shows it, with even sides. */
    public function displaySize(): FrameSize
    {
        $width = (new Fraction($this->size->width))->times($this->sampleAspect);
        $shown = new FrameSize(max(2, 2 * $width->over(2)->round()), $this->size->height);

        return $this->rotation % 180 === 0 ? $shown : new FrameSize($shown->height, $shown->width);
    }

    public function displayAspect(): Fraction
    {
        $aspect = $this->size->aspect()->times($this->sampleAspect);

        return $this->rotation % 180 === 0 ? $aspect : (new Fraction(1))->over($aspect);
    }

    public function hasSquarePixels(): bool
    {
        return $this->sampleAspect->equals(new Fraction(1));
    }

    /** Name with profile: H.264 High, ProRes 422 HQ. */
    public function label(): string
    {
        return $this->profile === null ? $this->codecName : "{$this->codecName} {$this->profile}";
    }
}
