<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use LogicException;
use OuterCrate\Checks\Subject;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
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
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/** A plan while it is being decided, cell by cell. Used by the planner and its decisions only. */
final class Draft
{
    /** @var array<string, Value> */
    private array $values = [];

    /** @var array<string, Origin> */
    private array $origins = [];

    /**
     * @param  FrameRange  $range  frames of the cut that are delivered
     * @param  Fraction  $duration  the same in seconds
     */
    public function __construct(
        public readonly Subject $subject,
        public readonly Reading $reading,
        public readonly VideoReading $video,
        public readonly Preset $preset,
        public readonly ?Host $host,
        public readonly Catalogue $catalogue,
        public readonly Rules $rules,
        private readonly Rules $edits,
        public readonly FrameRange $range,
        public readonly Fraction $duration,
    ) {
    }

    /** Sets a value. Where the person changed the cell, the origin says "you" and keeps what was said beside it. */
    public function decide(Cell $cell, Value $value, OriginSource $source, string $text): void
    {
        $this->values[$cell->value] = $value;
        $this->origins[$cell->value] = new Origin($this->edits->has($cell->value) ? OriginSource::You : $source, $text);
    }

    /** Changes a decided value without a new origin: the level is known only once rate and size are. */
    public function refine(Cell $cell, Value $value): void
    {
        $this->values[$cell->value] = $value;
    }

    /** Whether the person set this part of a cell's rule. */
    public function isEdited(Cell $cell, string $part): bool
    {
        return $this->edits->fields($cell->value)->has($part);
    }

    public function container(): ContainerValue
    {
        return $this->need(Cell::Container, ContainerValue::class);
    }

    public function picture(): PictureValue
    {
        return $this->need(Cell::Picture, PictureValue::class);
    }

    public function frameSize(): FrameSizeValue
    {
        return $this->need(Cell::FrameSize, FrameSizeValue::class);
    }

    public function frameRate(): FrameRateValue
    {
        return $this->need(Cell::FrameRate, FrameRateValue::class);
    }

    public function rate(): RateValue
    {
        return $this->need(Cell::Rate, RateValue::class);
    }

    public function keyframes(): KeyframesValue
    {
        return $this->need(Cell::Keyframes, KeyframesValue::class);
    }

    public function colour(): ColourValue
    {
        return $this->need(Cell::Colour, ColourValue::class);
    }

    public function sound(): SoundValue
    {
        return $this->need(Cell::Sound, SoundValue::class);
    }

    public function file(): FileValue
    {
        return $this->need(Cell::File, FileValue::class);
    }

    /** @return array<string, Origin> by cell, in the order of the sheet */
    public function origins(): array
    {
        $ordered = [];
        foreach (Cell::cases() as $cell) {
            if (isset($this->origins[$cell->value])) {
                $ordered[$cell->value] = $this->origins[$cell->value];
            }
        }

        return $ordered;
    }

    /**
     * @template T of Value
     *
     * @param  class-string<T>  $class
     * @return T
     */
    private function need(Cell $cell, string $class): Value
    {
        $value = $this->values[$cell->value] ?? null;

        return $value instanceof $class ? $value : throw new LogicException("{$cell->value} is asked for before it is decided.");
    }
}
