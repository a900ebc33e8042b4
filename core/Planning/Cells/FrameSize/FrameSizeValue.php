<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use OuterCrate\Planning\Cells\Value;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\FrameWindow;

/** Size of the frame, shape of its pixels, and the part of it that the picture fills; the rest is black. */
final readonly class FrameSizeValue implements Value
{
    /**
     * @param  FrameSize|null  $scaled  what the picture is scaled to before its edges are cut off; null where none are
     * @param  bool  $stretched  the picture takes the frame's shape
     * @param  string|null  $projection  of a 360 picture, which the file is told: equirectangular
     * @param  FrameWindow|null  $window  the part of the cut's upright picture that is shown; null for all of it
     */
    public function __construct(
        public FrameSize $frame,
        public FrameSize $picture,
        public Fraction $sampleAspect,
        public ?FrameSize $scaled = null,
        public bool $stretched = false,
        public ?string $projection = null,
        public ?FrameWindow $window = null,
    ) {
    }

    public function projected(?string $projection): self
    {
        return $this->with($projection, $this->window);
    }

    public function through(?FrameWindow $window): self
    {
        return $this->with($this->projection, $window);
    }

    public function isPadded(): bool
    {
        return ! $this->frame->equals($this->picture);
    }

    public function label(): string
    {
        $pixels = $this->sampleAspect->equals(new Fraction(1))
            ? ''
            : " · {$this->sampleAspect->numerator}:{$this->sampleAspect->denominator} pixels";

        return $this->frame.
            $pixels.
            ($this->isPadded() ? " · {$this->picture} inside" : '').
            ($this->scaled === null ? '' : ' · cropped').
            ($this->stretched ? ' · stretched' : '').
            ($this->window === null ? '' : ' · bars left out').
            ($this->projection === null ? '' : ' · 360');
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'exact' => (string) $this->frame,
            'width' => $this->frame->width,
            'height' => $this->frame->height,
            'pictureWidth' => $this->picture->width,
            'pictureHeight' => $this->picture->height,
            'shape' => match (true) {
                $this->scaled !== null => 'crop',
                $this->stretched => 'stretch',
                $this->isPadded() => 'pad',
                default => null,
            },
            'sampleAspect' => (string) $this->sampleAspect,
            'projection' => $this->projection,
            'bars' => $this->window === null ? null : 'trim',
        ];
    }

    private function with(?string $projection, ?FrameWindow $window): self
    {
        return new self(
            frame: $this->frame,
            picture: $this->picture,
            sampleAspect: $this->sampleAspect,
            scaled: $this->scaled,
            stretched: $this->stretched,
            projection: $projection,
            window: $window,
        );
    }
}
