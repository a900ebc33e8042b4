<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** Size of the frame, shape of its pixels, and the part of it that the picture fills; the rest is black. */
final readonly class FrameSizeValue implements Value
{
    /**
     * @param  FrameSize|null  $scaled  what the picture is scaled to before its edges are cut off; null where none are
     * @param  bool  $stretched  the picture takes the frame's shape
     */
    public function __construct(public FrameSize $frame, public FrameSize $picture, public Fraction $sampleAspect, public ?FrameSize $scaled = null, public bool $stretched = false)
    {
    }

    public function isPadded(): bool
    {
        return ! $this->frame->equals($this->picture);
    }

    public function label(): string
    {
        $pixels = $this->sampleAspect->equals(new Fraction(1)) ? '' : " · {$this->sampleAspect->numerator}:{$this->sampleAspect->denominator} pixels";

        return $this->frame.$pixels.($this->isPadded() ? " · {$this->picture} inside" : '').($this->scaled === null ? '' : ' · cropped').($this->stretched ? ' · stretched' : '');
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'width' => $this->frame->width,
            'height' => $this->frame->height,
            'pictureWidth' => $this->picture->width,
            'pictureHeight' => $this->picture->height,
            'cropped' => $this->scaled !== null,
            'stretched' => $this->stretched,
            'sampleAspect' => (string) $this->sampleAspect,
        ];
    }
}
