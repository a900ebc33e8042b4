<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Json\Fields;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\FrameWindow;

/** Size of the frame, shape of its pixels, and the part of it that the picture fills; the rest is black. */
final readonly class FrameSizeValue implements Value
{
    public const CELL = 'frameSize';

    /**
     * @param  FrameSize|null  $scaled  what the picture is scaled to before its edges are cut off; null where none are
     * @param  bool  $stretched  the picture takes the frame's shape
     * @param  string|null  $projection  of a 360 picture, which the file is told: equirectangular
     * @param  FrameWindow|null  $window  the part of the cut's upright picture that is shown; null for all of it
     * @param  bool  $edge  an odd column or row of pixels is cut off
     */
    public function __construct(
        public FrameSize $frame,
        public FrameSize $picture,
        public Fraction $sampleAspect,
        public ?FrameSize $scaled = null,
        public bool $stretched = false,
        public ?string $projection = null,
        public ?FrameWindow $window = null,
        public bool $edge = false,
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

    /** @param  FrameWindow|null  $window  without an odd column or row; null leaves all as it is */
    public function cuttingOff(?FrameWindow $window): self
    {
        return $window === null ? $this : $this->with($this->projection, $window, true);
    }

    public function isPadded(): bool
    {
        return ! $this->frame->equals($this->picture);
    }

    /** Whether the frame shows all of the cut's picture in its own shape, and nothing else. */
    public function showsAll(): bool
    {
        return ! $this->isPadded() && $this->scaled === null && ! $this->stretched && $this->window === null;
    }

    public static function fromArray(Fields $value): self
    {
        $scaled = $value->text('scaled');

        return new self(
            frame: new FrameSize($value->needInt('width'), $value->needInt('height')),
            picture: new FrameSize($value->needInt('pictureWidth'), $value->needInt('pictureHeight')),
            sampleAspect: Fraction::parse($value->needText('sampleAspect')),
            scaled: $scaled === null ? null : FrameSize::parse($scaled),
            stretched: $value->text('shape') === 'stretch',
            projection: $value->text('projection'),
            window: $value->has('window') ? $value->within('window')->asWindow() : null,
            edge: $value->bool('edge') ?? false,
        );
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
            ($this->leavesBars() ? ' · bars left out' : '').
            ($this->edge ? ' · edge cut off' : '').
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
            'bars' => $this->leavesBars() ? 'trim' : null,
            'scaled' => $this->scaled === null ? null : (string) $this->scaled,
            'window' => $this->window?->toArray(),
            'edge' => $this->edge,
        ];
    }

    private function leavesBars(): bool
    {
        return $this->window !== null && (! $this->edge || $this->window->left > 0 || $this->window->top > 0);
    }

    private function with(?string $projection, ?FrameWindow $window, ?bool $edge = null): self
    {
        return new self(
            frame: $this->frame,
            picture: $this->picture,
            sampleAspect: $this->sampleAspect,
            scaled: $this->scaled,
            stretched: $this->stretched,
            projection: $projection,
            window: $window,
            edge: $edge ?? $this->edge,
        );
    }
}
