<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Formats\Video\NoPicture;
use OuterCrate\Planning\Values\AbsentValue;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Planning\Values\ContainerValue;
use OuterCrate\Planning\Values\FileValue;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Planning\Values\PictureValue;
use OuterCrate\Planning\Values\RateValue;
use OuterCrate\Planning\Values\SoundValue;
use OuterCrate\Planning\Values\Value;
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
     * @param  Sample|null  $sample  what a few pieces came to with these settings, once they were encoded
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
        public FileValue $file,
        public array $origins,
        public FrameRange $range,
        public int $frames,
        public Fraction $duration,
        public array $findings = [],
        public ?Sample $sample = null,
    ) {
    }

    public function withSample(?Sample $sample): self
    {
        return $this->but(['sample' => $sample]);
    }

    /** The same for other frames of the cut, of which this many are made. */
    public function ofRange(FrameRange $range, int $frames, Fraction $duration): self
    {
        return $this->but(['range' => $range, 'frames' => $frames, 'duration' => $duration, 'sample' => null]);
    }

    /** The same at another rate, and at whatever level that needs. */
    public function atRate(RateValue $rate): self
    {
        return $this->but(['rate' => $rate, 'picture' => $this->picture->atLevel(null)]);
    }

    /** What preset and person say in a part of a cell's rule; null where they say nothing. */
    public function wishes(string $cell, string $part): ?string
    {
        return $this->spec->preset->rules->with($this->spec->edits)->fields($cell)->text($part);
    }

    /** False where the file holds sound alone. */
    public function hasPicture(): bool
    {
        return $this->picture->codec->id() !== NoPicture::ID;
    }

    /** @param  list<Finding>  $findings */
    public function withFindings(array $findings): self
    {
        return $this->but(['findings' => $findings]);
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

    /** @param  array{rate?: RateValue, picture?: PictureValue, sample?: ?Sample, range?: FrameRange, frames?: int, duration?: Fraction, findings?: list<Finding>}  $changed */
    private function but(array $changed): self
    {
        return new self(
            $this->spec, $this->container, $changed['picture'] ?? $this->picture, $this->frameSize, $this->frameRate, $changed['rate'] ?? $this->rate, $this->keyframes, $this->colour, $this->sound, $this->file, $this->origins,
            $changed['range'] ?? $this->range, $changed['frames'] ?? $this->frames, $changed['duration'] ?? $this->duration, $changed['findings'] ?? $this->findings,
            array_key_exists('sample', $changed) ? $changed['sample'] : $this->sample,
        );
    }

    /** What the host asks for this picture. */
    public function askedAverage(): ?Bitrate
    {
        return $this->spec->host?->asks->average($this->frameSize->frame, $this->frameRate->rate, $this->colour->colour->isHdr());
    }

    /** @return array{shorterSide: int, high: bool}|null the row of the host's rate table that this picture falls into */
    private function rateRow(): ?array
    {
        $asks = $this->spec->host?->asks;
        $row = $asks?->row($this->frameSize->frame);

        return $asks === null || $row === null ? null : ['shorterSide' => $row->shorterSide, 'high' => $this->frameRate->rate->isAbove($asks->highRateAbove)];
    }

    /** The average spread over every pixel of every frame, to three decimals. */
    public function bitsPerPixel(): ?float
    {
        return $this->rate->average === null ? null
            : round($this->rate->average->bitsPerSecond / $this->frameRate->rate->perSecond->times($this->frameSize->picture->pixels())->toFloat(), 3);
    }

    /** @return array<string, array<string, mixed>> by cell */
    private function values(): array
    {
        $values = [
            'container' => $this->container, 'picture' => $this->picture, 'frameSize' => $this->frameSize, 'frameRate' => $this->frameRate, 'rate' => $this->rate,
            'keyframes' => $this->keyframes, 'colour' => $this->colour, 'sound' => $this->sound, 'file' => $this->file,
        ];

        return array_map(fn (Value $value): array => $value->toArray(), $this->hasPicture() ? $values : [...$values, ...array_map(
            // What belongs to a picture is not there to be said.
            static fn (Value $value): Value => new AbsentValue($value), array_intersect_key($values, array_flip(['frameSize', 'frameRate', 'rate', 'keyframes', 'colour'])),
        )]);
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
            'values' => $this->values(),
            'origins' => array_map(static fn (Origin $origin): array => $origin->toArray(), $this->origins),
            'asks' => (object) AskedOf::plan($this),
            'rateRow' => $this->rateRow(),
            'askedAverage' => $this->askedAverage()?->bitsPerSecond,
            'bitsPerPixel' => $this->bitsPerPixel(),
            'range' => ['first' => $this->range->first, 'last' => $this->range->last, 'own' => $this->spec->ownRange],
            'frames' => $this->frames,
            'duration' => (string) $this->duration,
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->findings),
        ];
    }
}
