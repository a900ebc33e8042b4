<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameRate;

/** Frames per second and scan; how both come about where they differ from the cut's. */
final readonly class FrameRateValue implements Value
{
    public const CELL = 'frameRate';

    /**
     * @param  Scan  $scan  of what is made
     * @param  Scan  $source  what the cut's frames are taken for
     * @param  FieldMethod|null  $fields  how fields are made into frames; null where there are none, or they are kept
     * @param  bool  $convert  frames come at another rate, or evenly where the cut's do not
     */
    public function __construct(
        public FrameRate $rate,
        public Scan $scan,
        public ?FieldMethod $fields,
        public bool $convert,
        public FrameRateMethod $by,
        public Scan $source,
    ) {
    }

    public function deinterlaces(): bool
    {
        return $this->fields !== null;
    }

    public static function fromArray(Fields $value): self
    {
        return new self(
            rate: FrameRate::parse($value->needText('rate')),
            scan: $value->needCase('scan', Scan::class),
            fields: $value->text('fields') === 'keep' ? null : $value->case('fields', FieldMethod::class),
            convert: $value->bool('convert') ?? false,
            by: $value->needCase('by', FrameRateMethod::class),
            source: $value->needCase('source', Scan::class),
        );
    }

    public function label(): string
    {
        return $this->rate->label().
            match (true) {
                $this->scan->isInterlaced() => ' · interlaced',
                $this->fields === FieldMethod::Interpolate => ' · made progressive',
                $this->fields === FieldMethod::Blend => ' · fields blended',
                default => '',
            }.
            ($this->convert && $this->by !== FrameRateMethod::Repeat ? " · {$this->by->label()}" : '');
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'exact' => $this->rate->label(),
            'rate' => (string) $this->rate,
            'scan' => $this->scan->value,
            'deinterlace' => $this->deinterlaces(),
            'fields' => $this->scan->isInterlaced() ? 'keep' : $this->fields?->value,
            'source' => $this->source->value,
            'convert' => $this->convert,
            'by' => $this->by->value,
        ];
    }
}
