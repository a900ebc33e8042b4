<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Planning\Values\ContainerValue;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Planning\Values\PictureValue;
use OuterCrate\Planning\Values\RateValue;
use OuterCrate\Planning\Values\SoundValue;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/** An output with every value decided, each with where it came from. */
final readonly class Plan
{
    /**
     * @param  array<string, Origin>  $origins  by cell
     * @param  FrameRange  $range  frames of the cut that are delivered
     * @param  int  $frames  to make
     * @param  Fraction  $duration  in seconds
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public OutputSpec $spec,
        public ContainerValue $container,
        public PictureValue $picture,
        public FrameSizeValue $frameSize,
        public FrameRateValue $frameRate,
        public RateValue $rate,
        public KeyframesValue $keyframes,
        public ColourValue $colour,
        public SoundValue $sound,
        public array $origins,
        public FrameRange $range,
        public int $frames,
        public Fraction $duration,
        public array $findings = [],
    ) {
    }

    /** @param  list<Finding>  $findings */
    public function withFindings(array $findings): self
    {
        return new self($this->spec, $this->container, $this->picture, $this->frameSize, $this->frameRate, $this->rate, $this->keyframes, $this->colour, $this->sound, $this->origins, $this->range, $this->frames, $this->duration, $findings);
    }

    public function isStopped(): bool
    {
        foreach ($this->findings as $finding) {
            if ($finding->severity === Severity::Stop) {
                return true;
            }
        }

        return false;
    }

    /** What the host asks for this picture. */
    public function askedAverage(): ?Bitrate
    {
        return $this->spec->host?->asks->average($this->frameSize->frame, $this->frameRate->rate, $this->colour->colour->isHdr());
    }

    /** The average spread over every pixel of every frame, to three decimals. */
    public function bitsPerPixel(): ?float
    {
        return $this->rate->average === null ? null
            : round($this->rate->average->bitsPerSecond / $this->frameRate->rate->perSecond->times($this->frameSize->picture->pixels())->toFloat(), 3);
    }

    /**
     * The frozen form (resources/schema/plan.json), without the estimate.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'preset' => $this->spec->preset->slug,
            'presetName' => $this->spec->preset->name,
            'role' => $this->spec->preset->role->value,
            'host' => $this->spec->host?->slug,
            'hostName' => $this->spec->host?->name,
            'edits' => (object) $this->spec->edits->rules,
            'values' => [
                'container' => $this->container->toArray(),
                'picture' => $this->picture->toArray(),
                'frameSize' => $this->frameSize->toArray(),
                'frameRate' => $this->frameRate->toArray(),
                'rate' => $this->rate->toArray(),
                'keyframes' => $this->keyframes->toArray(),
                'colour' => $this->colour->toArray(),
                'sound' => $this->sound->toArray(),
            ],
            'origins' => array_map(static fn (Origin $origin): array => $origin->toArray(), $this->origins),
            'askedAverage' => $this->askedAverage()?->bitsPerSecond,
            'bitsPerPixel' => $this->bitsPerPixel(),
            'range' => ['first' => $this->range->first, 'last' => $this->range->last, 'own' => $this->spec->ownRange],
            'frames' => $this->frames,
            'duration' => (string) $this->duration,
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->findings),
        ];
    }
}
