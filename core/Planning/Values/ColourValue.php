<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\MasteringDisplay;

/** Colour tags, sampling and depth of what is made, and what is done to the samples on the way. */
final readonly class ColourValue implements Value
{
    public const CELL = 'colour';

    public const DITHERS = ['ordered', 'error-diffusion', 'none'];

    /**
     * @param  Colour  $source  what the cut's samples are taken for
     * @param  bool  $converts  samples are computed anew for other primaries or another transfer
     * @param  bool  $toneMap  HDR is brought down to SDR on the way
     * @param  float  $gamma  middle tones are lifted above 1, lowered below
     * @param  string  $dither  one of DITHERS, where bits are dropped
     * @param  MasteringDisplay|null  $mastering  HDR10 metadata that the file carries
     * @param  ContentLight|null  $light  HDR10 metadata that the file carries
     * @param  string|null  $tag  what the rule says that the samples are
     * @param  string|null  $convert  what the rule has them converted to
     * @param  string  $hdr10  what the rule does with HDR10 metadata: carry, measure, none
     * @param  bool  $awaitsLight  how bright the picture gets is to be measured before the file is made
     */
    public function __construct(
        public Colour $colour,
        public PixelFormat $pixelFormat,
        public Colour $source,
        public bool $converts = false,
        public bool $toneMap = false,
        public float $gamma = 1.0,
        public string $dither = 'ordered',
        public ?MasteringDisplay $mastering = null,
        public ?ContentLight $light = null,
        private ?string $tag = null,
        private ?string $convert = null,
        private string $hdr10 = 'carry',
        public bool $awaitsLight = false,
    ) {
    }

    public function lit(?ContentLight $light): self
    {
        return new self(
            colour: $this->colour,
            pixelFormat: $this->pixelFormat,
            source: $this->source,
            converts: $this->converts,
            toneMap: $this->toneMap,
            gamma: $this->gamma,
            dither: $this->dither,
            mastering: $this->mastering,
            light: $light,
            tag: $this->tag,
            convert: $this->convert,
            hdr10: $this->hdr10,
        );
    }

    public static function fromArray(Fields $value): self
    {
        $light = $value->within('contentLight');

        return new self(
            colour: Colour::fromArray($value),
            pixelFormat: new PixelFormat(
                $value->needCase('chroma', Chroma::class),
                $value->needInt('bitDepth'),
                $value->bool('alpha') ?? false,
            ),
            source: $value->has('source') ? Colour::fromArray($value->within('source')) : throw new MissingPart('source'),
            converts: $value->bool('converts') ?? false,
            toneMap: $value->bool('toneMap') ?? false,
            gamma: $value->float('gamma') ?? 1.0,
            dither: $value->text('dither') ?? 'ordered',
            mastering: $value->has('masteringDisplay') ? MasteringDisplay::fromProbe($value->within('masteringDisplay')) : null,
            light: $value->has('contentLight') ? new ContentLight($light->needInt('maxCll'), $light->needInt('maxFall')) : null,
            tag: $value->text('tag'),
            convert: $value->text('convert'),
            hdr10: $value->text('hdr10') ?? 'carry',
            awaitsLight: $value->bool('awaitsLight') ?? false,
        );
    }

    public function label(): string
    {
        return implode(' · ', array_filter([
            $this->colour->label(),
            "{$this->pixelFormat->bitDepth}-bit {$this->pixelFormat->chroma->value}",
            $this->toneMap ? 'from HDR' : ($this->converts ? "from {$this->source->label()}" : null),
            $this->gamma === 1.0 ? null : 'gamma '.round($this->gamma, 2),
            $this->mastering === null && $this->light === null ? null : 'HDR10',
        ]));
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return ['label' => $this->label()] + $this->colour->toArray() + [
            'bitDepth' => $this->pixelFormat->bitDepth,
            'chroma' => $this->pixelFormat->chroma->value,
            'alpha' => $this->pixelFormat->alpha,
            'toneMap' => $this->toneMap,
            'converts' => $this->converts,
            'gamma' => $this->gamma,
            'dither' => $this->dither,
            'tag' => $this->tag,
            'convert' => $this->convert,
            'hdr10' => $this->hdr10,
            'mastering' => $this->mastering?->label(),
            'light' => $this->light?->label(),
            'source' => $this->source->toArray(),
            'masteringDisplay' => $this->mastering?->toProbe(),
            'contentLight' => $this->light?->toArray(),
            'awaitsLight' => $this->awaitsLight,
        ];
    }
}
