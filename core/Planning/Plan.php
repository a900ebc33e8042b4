<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use InvalidArgumentException;
use OuterCrate\Formats\Containers\ImageFolder;
use OuterCrate\Formats\Video\HardwareEncoders;
use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Hosts\AskedRate;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\AbsentValue;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Cells\Audio\AudioValue;
use OuterCrate\Planning\Cells\Audio\Levelling;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Cells\Bitrate\BitrateValue;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Cells\Colour\ColourValue;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Cells\Container\ContainerValue;
use OuterCrate\Planning\Cells\File\FileCell;
use OuterCrate\Planning\Cells\File\FileValue;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Cells\FrameRate\FrameRateValue;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeValue;
use OuterCrate\Planning\Cells\Keyframes\KeyframesCell;
use OuterCrate\Planning\Cells\Keyframes\KeyframesValue;
use OuterCrate\Planning\Cells\Value;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Cells\Video\VideoValue;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/** An output with every value decided, each with where it came from. */
final readonly class Plan
{
    public ContainerValue $container;

    public VideoValue $video;

    public FrameSizeValue $frameSize;

    public FrameRateValue $frameRate;

    public BitrateValue $bitrate;

    public KeyframesValue $keyframes;

    public ColourValue $colour;

    public AudioValue $audio;

    public FileValue $file;

    /**
     * @param  array<string, Value>  $values  by cell, in the order of the sheet; those of the product's own cells stand above, too
     * @param  array<string, Origin>  $origins  by cell
     * @param  list<string>  $ofPicture  cells that tell of the picture
     * @param  Rules  $rules  that it was decided by: the preset's with the edits laid over them
     * @param  FrameRange  $range  frames of the cut that are delivered
     * @param  int  $frames  to make
     * @param  Fraction  $duration  in seconds
     * @param  list<Refusal>  $refused  rules that led nowhere
     */
    public function __construct(
        public OutputSpec $spec,
        public array $values,
        public array $origins,
        private array $ofPicture,
        public Rules $rules,
        public FrameRange $range,
        public int $frames,
        public Fraction $duration,
        public array $refused = [],
    ) {
        $this->container = $this->value(ContainerCell::NAME, ContainerValue::class);
        $this->video = $this->value(VideoCell::NAME, VideoValue::class);
        $this->frameSize = $this->value(FrameSizeCell::NAME, FrameSizeValue::class);
        $this->frameRate = $this->value(FrameRateCell::NAME, FrameRateValue::class);
        $this->bitrate = $this->value(BitrateCell::NAME, BitrateValue::class);
        $this->keyframes = $this->value(KeyframesCell::NAME, KeyframesValue::class);
        $this->colour = $this->value(ColourCell::NAME, ColourValue::class);
        $this->audio = $this->value(AudioCell::NAME, AudioValue::class);
        $this->file = $this->value(FileCell::NAME, FileValue::class);
    }

    /** The same for other frames of the cut, of which this many are made. */
    public function ofRange(FrameRange $range, int $frames, Fraction $duration): self
    {
        return $this->but($this->values, $range, $frames, $duration);
    }

    /** The same at another bitrate, and at whatever level that needs. */
    public function atBitrate(BitrateValue $bitrate): self
    {
        $changed = [BitrateCell::NAME => $bitrate, VideoCell::NAME => $this->video->atLevel(null)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with the encoder aiming at another average; what is promised stays. */
    public function aimedAt(Bitrate $average): self
    {
        $changed = [BitrateCell::NAME => $this->bitrate->at($average)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same without a pass that gathers. */
    public function inOnePass(): self
    {
        $changed = [BitrateCell::NAME => $this->bitrate->inOnePass()];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with this told of how bright its picture gets. */
    public function lit(?ContentLight $light): self
    {
        $changed = [ColourCell::NAME => $this->colour->lit($light)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with its sound brought to its level in this way. */
    public function levelled(Levelling $levelling): self
    {
        $changed = [AudioCell::NAME => $this->audio->levelled($levelling)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /**
     * The same for sound that is this loud before anything is done to it; the same plan where no loudness is asked.
     *
     * @param  SoundLevel|null  $level  null where it is not known
     */
    public function levelledFor(?SoundLevel $level): self
    {
        $asked = $this->audio->levelling;

        return $asked === null || $level === null ? $this : $this->levelled($asked->for($level->integrated, $level->truePeak));
    }

    /**
     * The same on a machine with these graphics chips: its own where the plan's is not there, software where it has none.
     *
     * @param  list<string>  $hardware  encoders that work there
     */
    public function onMachine(array $hardware): self
    {
        $wanted = $this->video->hardware;
        if ($wanted === null || in_array($wanted, $hardware, true)) {
            return $this;
        }
        $video = $this->video->madeBy(HardwareEncoders::find($this->video->codec->id(), $hardware));

        return $this->but(array_replace($this->values, [VideoCell::NAME => $video]), $this->range, $this->frames, $this->duration);
    }

    /**
     * Length of what a plan makes, in seconds.
     *
     * @param  array<mixed>  $plan  as toArray gives it
     */
    public static function secondsOf(array $plan): float
    {
        return Fraction::tryParse((new Fields($plan))->text('duration'))?->toFloat() ?? 0.0;
    }

    /** What preset and person say in a part of a cell's rule; null where they say nothing. */
    public function wishes(string $cell, string $part): ?string
    {
        return $this->rules->fields($cell)->text($part);
    }

    /** False where the file holds audio alone. */
    public function hasVideo(): bool
    {
        return $this->video->codec->id() !== NoVideo::ID;
    }

    /** Whether the output is a folder of images. */
    public function isOfImages(): bool
    {
        return $this->container->container instanceof ImageFolder;
    }

    /** What the host asks for this picture. */
    public function askedRate(): ?AskedRate
    {
        return $this->spec->host?->asks->bitrate->asked($this->frameSize->frame, $this->frameRate->rate, $this->colour->colour->isHdr());
    }

    /** The floor of it. */
    public function askedAverage(): ?Bitrate
    {
        return $this->askedRate()?->range->floor;
    }

    /** The average spread over every pixel of every frame, to three decimals. */
    public function bitsPerPixel(): ?float
    {
        $pixels = $this->frameRate->rate->perSecond->times($this->frameSize->picture->pixels())->toFloat();

        return $this->bitrate->average === null ? null : round($this->bitrate->average->bitsPerSecond / $pixels, 3);
    }

    /** @return array<string, Value> as they are shown: what belongs to a picture is not there in a file of audio alone */
    public function shown(): array
    {
        $values = $this->values;
        foreach ($this->hasVideo() ? [] : $this->ofPicture as $cell) {
            $values[$cell] = new AbsentValue($values[$cell]);
        }

        return $values;
    }

    /**
     * As pages get it (resources/schema/plan.json), without what is known beside it.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $shown = $this->shown();

        return [
            'preset' => $this->spec->preset->slug,
            'presetName' => $this->spec->preset->name,
            'presetVersion' => $this->spec->preset->version,
            'role' => $this->spec->preset->role->value,
            'host' => $this->spec->host?->slug,
            'hostName' => $this->spec->host?->name,
            'hostVersion' => $this->spec->host?->version,
            'edits' => (object) $this->spec->edits->rules,
            'rules' => (object) $this->rules->rules,
            'values' => array_map(static fn (Value $value): array => $value->toArray(), $shown),
            'fixed' => array_keys(array_filter($shown, static fn (Value $value): bool => ! $value->canChange())),
            'origins' => array_map(static fn (Origin $origin): array => $origin->toArray(), $this->origins),
            'bitrateRow' => $this->bitrateRow(),
            'askedAverage' => $this->askedAverage()?->bitsPerSecond,
            'bitsPerPixel' => $this->bitsPerPixel(),
            'range' => ['first' => $this->range->first, 'last' => $this->range->last, 'own' => $this->spec->ownRange],
            'frames' => $this->frames,
            'duration' => (string) $this->duration,
        ];
    }

    /** @return array{shorterSide: int, high: bool}|null the row of the host's table of bitrates that this picture lies in; null for none */
    private function bitrateRow(): ?array
    {
        $ask = $this->spec->host?->asks->bitrate;
        $row = $ask?->row($this->frameSize->frame);

        return $ask === null || $row?->holds($this->frameSize->frame) !== true ? null
            : ['shorterSide' => $row->shorterSide, 'high' => $this->frameRate->rate->isAbove($ask->highAbove)];
    }

    /** @param  array<string, Value>  $values */
    private function but(array $values, FrameRange $range, int $frames, Fraction $duration): self
    {
        return new self(
            spec: $this->spec,
            values: $values,
            origins: $this->origins,
            ofPicture: $this->ofPicture,
            rules: $this->rules,
            range: $range,
            frames: $frames,
            duration: $duration,
            refused: $this->refused,
        );
    }

    /**
     * @template T of Value
     *
     * @param  class-string<T>  $class
     * @return T
     */
    private function value(string $cell, string $class): Value
    {
        $value = $this->values[$cell] ?? null;

        return $value instanceof $class ? $value : throw new InvalidArgumentException("A plan without {$cell} is none.");
    }
}
