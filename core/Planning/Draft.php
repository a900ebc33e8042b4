<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use LogicException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
use OuterCrate\Pieces\Piece;
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Planning\Values\ContainerValue;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Planning\Values\VideoValue;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/**
 * A plan while it is being decided. A cell that looks at another has that one decided first, so that no order of them is
 * written down anywhere. Used by the planner and the cells only.
 */
final class Draft
{
    /** @var array<string, Value> */
    private array $values = [];

    /** @var array<string, Origin> */
    private array $origins = [];

    /** @var array<string, true> cells that are being decided */
    private array $underWay = [];

    /** @var array<string, true> cells whose values were decided before, and stay */
    private readonly array $known;

    /**
     * @param  VideoReading  $cutVideo  the cut's own picture
     * @param  Rules  $rules  the preset's with the edits laid over them
     * @param  FrameRange  $range  frames of the cut that are delivered
     * @param  Fraction  $duration  the same in seconds
     * @param  Piece|null  $piece  of the cut that it is, where that goes out in several
     * @param  array<string, Value>  $known  values by cell that were decided before
     */
    public function __construct(
        private readonly Deciders $cells,
        public readonly Subject $subject,
        public readonly Reading $reading,
        public readonly VideoReading $cutVideo,
        public readonly Preset $preset,
        public readonly ?Host $host,
        public readonly Catalogue $catalogue,
        public readonly Rules $rules,
        private readonly Rules $edits,
        public readonly FrameRange $range,
        public readonly Fraction $duration,
        public readonly ?Piece $piece = null,
        array $known = [],
    ) {
        $this->known = array_fill_keys(array_keys($known), true);
        foreach ($known as $cell => $value) {
            $this->decide($cell, $value, OriginSource::Rule, 'as it was planned');
        }
    }

    /** Sets a value. Where the person changed the cell, the origin says "you" and keeps what was said beside it. */
    public function decide(string $cell, Value $value, OriginSource $source, string $text): void
    {
        $this->values[$cell] = $value;
        $this->origins[$cell] = new Origin($this->edits->has($cell) ? OriginSource::You : $source, $text);
    }

    /** Changes a decided value without a new origin: the level is known only once bitrate and frame size are. */
    public function refine(string $cell, Value $value): void
    {
        $this->values[$cell] = $value;
    }

    /** Whether the person set this part of a cell's rule. */
    public function isEdited(string $cell, string $part): bool
    {
        return $this->edits->fields($cell)->has($part);
    }

    public function container(): ContainerValue
    {
        return $this->value(ContainerValue::CELL, ContainerValue::class);
    }

    public function video(): VideoValue
    {
        return $this->value(VideoValue::CELL, VideoValue::class);
    }

    public function frameSize(): FrameSizeValue
    {
        return $this->value(FrameSizeValue::CELL, FrameSizeValue::class);
    }

    public function frameRate(): FrameRateValue
    {
        return $this->value(FrameRateValue::CELL, FrameRateValue::class);
    }

    public function bitrate(): BitrateValue
    {
        return $this->value(BitrateValue::CELL, BitrateValue::class);
    }

    public function keyframes(): KeyframesValue
    {
        return $this->value(KeyframesValue::CELL, KeyframesValue::class);
    }

    public function colour(): ColourValue
    {
        return $this->value(ColourValue::CELL, ColourValue::class);
    }

    public function audio(): AudioValue
    {
        return $this->value(AudioValue::CELL, AudioValue::class);
    }

    /**
     * The decided values and where they came from, in the order of the sheet.
     *
     * @return array{array<string, Value>, array<string, Origin>}
     *
     * @throws PlanImpossible
     */
    public function decided(): array
    {
        $all = $this->cells->names();
        foreach ($all as $name) {
            $this->value($name, Value::class);
        }
        foreach (array_diff($all, array_keys($this->known)) as $name) {
            $this->cells->settle($name, $this);
        }

        $values = [];
        $origins = [];
        foreach ($all as $name) {
            $values[$name] = $this->values[$name];
            $origins[$name] = $this->origins[$name];
        }

        return [$values, $origins];
    }

    /**
     * @template T of Value
     *
     * @param  class-string<T>  $class
     * @return T
     *
     * @throws PlanImpossible
     */
    private function value(string $cell, string $class): Value
    {
        if (! isset($this->values[$cell])) {
            if (isset($this->underWay[$cell])) {
                throw new LogicException("What {$cell} is decided by depends on {$cell} itself.");
            }
            $this->underWay[$cell] = true;
            $this->cells->decide($cell, $this);
            unset($this->underWay[$cell]);
        }
        $value = $this->values[$cell] ?? null;

        return $value instanceof $class ? $value : throw new LogicException("{$cell} was not decided.");
    }
}
