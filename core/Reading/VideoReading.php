<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Reading\Packets\Clock;
use OuterCrate\Reading\Packets\Gop;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** One video stream of a file, as it is stored. */
final readonly class VideoReading
{
    /**
     * @param  string|null  $codecs  codec string of RFC 6381
     * @param  FrameSize  $codedSize  as the codec holds it, before cropping
     * @param  Fraction  $sampleAspect  width of a pixel over its height
     * @param  int  $rotation  degrees clockwise that a player turns the picture: 0, 90, 180 or 270
     * @param  Fraction|null  $nominalRate  the rate at which every frame could be given its time, as the header states it
     * @param  Fraction  $starts  seconds after the start of the file at which the first frame is shown
     * @param  int  $sharedTimes  frames that claim the time of another
     * @param  int  $frames  that are shown, as counted, or from the file's length and rate
     * @param  int  $length  frames that it lasts at its rate: more than there are where one is held
     * @param  int|null  $references  frames that the decoder must keep
     * @param  string|null  $projection  of a 360 picture: equirectangular, cubemap …
     * @param  string|null  $stereo  how two eyes share the picture: mono, top-bottom, left-right
     */
    public function __construct(
        public int $index,
        public string $codec,
        public string $codecName,
        public ?string $profile,
        public ?int $level,
        public ?string $codecs,
        public FrameSize $size,
        public FrameSize $codedSize,
        public Fraction $sampleAspect,
        public int $rotation,
        public FrameRate $frameRate,
        public ?Fraction $nominalRate,
        public bool $variableRate,
        public Clock $clock,
        public int $sharedTimes,
        public Fraction $starts,
        public Scan $scan,
        public PixelFormat $pixelFormat,
        public string $pixelFormatName,
        public Colour $colour,
        public ?string $chromaLocation,
        public int $frames,
        public int $length,
        public ?Bitrate $bitrate,
        public ?MasteringDisplay $mastering,
        public ?ContentLight $contentLight,
        public ?string $projection,
        public ?string $stereo,
        public ?Gop $gop,
        public ?int $references,
        public bool $captions,
    ) {
    }

    /**
     * Size in square pixels, upright as a player shows it, with even sides.
     *
     * @param  FrameSize|null  $part  of the upright picture; null for all of it
     */
    public function displaySize(?FrameSize $part = null): FrameSize
    {
        $size = $this->turned($part ?? $this->uprightSize());
        $width = (new Fraction($size->width))->times($this->sampleAspect);

        return $this->turned(new FrameSize(max(2, 2 * $width->over(2)->round()), $size->height));
    }

    /** The stored picture as a player turns it, in its own pixels. */
    public function uprightSize(): FrameSize
    {
        return $this->turned($this->size);
    }

    /** @param  FrameSize|null  $part  of the upright picture; null for all of it */
    public function displayAspect(?FrameSize $part = null): Fraction
    {
        $aspect = $this->turned($part ?? $this->uprightSize())
            ->aspect()
            ->times($this->sampleAspect);

        return $this->rotation % 180 === 0 ? $aspect : (new Fraction(1))->over($aspect);
    }

    public function hasSquarePixels(): bool
    {
        return $this->sampleAspect->equals(new Fraction(1));
    }

    /** Width to height of a pixel: 8:9. */
    public function pixelShape(): string
    {
        return "{$this->sampleAspect->numerator}:{$this->sampleAspect->denominator}";
    }

    /** Each frame is shown as long as the next: none has to be held, or left out, at a constant rate. */
    public function isEven(): bool
    {
        return ! $this->variableRate && $this->frames === $this->length;
    }

    /** Name with profile: H.264 High, ProRes 422 HQ. */
    public function label(): string
    {
        return $this->profile === null ? $this->codecName : "{$this->codecName} {$this->profile}";
    }

    /** From as it is stored to as a player turns it, or back. */
    private function turned(FrameSize $size): FrameSize
    {
        return $this->rotation % 180 === 0 ? $size : new FrameSize($size->height, $size->width);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'codec' => $this->codec,
            'codecName' => $this->codecName,
            'profile' => $this->profile,
            'level' => $this->level,
            'levelLabel' => CodecNames::level($this->codec, $this->level),
            'codecs' => $this->codecs,
            'label' => $this->label(),
            'width' => $this->size->width,
            'height' => $this->size->height,
            'codedWidth' => $this->codedSize->width,
            'codedHeight' => $this->codedSize->height,
            'sampleAspect' => (string) $this->sampleAspect,
            'displayAspect' => $this->displayAspect()->numerator.':'.$this->displayAspect()->denominator,
            'displayWidth' => $this->displaySize()->width,
            'displayHeight' => $this->displaySize()->height,
            'rotation' => $this->rotation,
            'frameRate' => (string) $this->frameRate,
            'frameRateLabel' => $this->frameRate->label(),
            'nominalRate' => $this->nominalRate === null ? null : (string) $this->nominalRate,
            'variableRate' => $this->variableRate,
            'clock' => $this->clock->value,
            'starts' => (string) $this->starts,
            'scan' => $this->scan->value,
            'pixelFormat' => $this->pixelFormatName,
            'bitDepth' => $this->pixelFormat->bitDepth,
            'chroma' => $this->pixelFormat->chroma->value,
            'chromaLocation' => $this->chromaLocation,
            'alpha' => $this->pixelFormat->alpha,
            'colour' => $this->colour->toArray() + ['label' => $this->colour->label()],
            'hdr' => $this->colour->isHdr(),
            'mastering' => $this->mastering?->toArray(),
            'contentLight' => $this->contentLight?->toArray(),
            'projection' => $this->projection,
            'stereo' => $this->stereo,
            'gop' => $this->gop === null
                    ? null
                    : $this->gop->toArray() + ['references' => $this->references, 'label' => $this->gop->label($this->frameRate)],
            'captions' => $this->captions,
            'frames' => $this->frames,
        ];
    }
}
