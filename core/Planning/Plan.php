<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use InvalidArgumentException;
use OuterCrate\Formats\Containers\ImageFolder;
use OuterCrate\Formats\Video\HardwareEncoders;
use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Hosts\Asks\AskedRate;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Values\AbsentValue;
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Planning\Values\ContainerValue;
use OuterCrate\Planning\Values\FileValue;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Planning\Values\VideoValue;
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
        $this->container = $this->value(ContainerValue::CELL, ContainerValue::class);
        $this->video = $this->value(VideoValue::CELL, VideoValue::class);
        $this->frameSize = $this->value(FrameSizeValue::CELL, FrameSizeValue::class);
        $this->frameRate = $this->value(FrameRateValue::CELL, FrameRateValue::class);
        $this->bitrate = $this->value(BitrateValue::CELL, BitrateValue::class);
        $this->keyframes = $this->value(KeyframesValue::CELL, KeyframesValue::class);
        $this->colour = $this->value(ColourValue::CELL, ColourValue::class);
        $this->audio = $this->value(AudioValue::CELL, AudioValue::class);
        $this->file = $this->value(FileValue::CELL, FileValue::class);
    }

    /** The same for other frames of the cut, of which this many are made. */
    public function ofRange(FrameRange $range, int $frames, Fraction $duration): self
    {
        return $this->but($this->values, $range, $frames, $duration);
    }

    /** The same at another bitrate, and at whatever level that needs. */
    public function atBitrate(BitrateValue $bitrate): self
    {
        $changed = [BitrateValue::CELL => $bitrate, VideoValue::CELL => $this->video->atLevel(null)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with the encoder aiming at another average; what is promised stays. */
    public function aimedAt(Bitrate $average): self
    {
        $changed = [BitrateValue::CELL => $this->bitrate->at($average)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same without a pass that gathers. */
    public function inOnePass(): self
    {
        $changed = [BitrateValue::CELL => $this->bitrate->inOnePass()];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with this told of how bright its picture gets. */
    public function lit(?ContentLight $light): self
    {
        $changed = [ColourValue::CELL => $this->colour->lit($light)];

        return $this->but(array_replace($this->values, $changed), $this->range, $this->frames, $this->duration);
    }

    /** The same with its sound brought to its level in this way. */
    public function levelled(Levelling $levelling): self
    {
        $changed = [AudioValue::CELL => $this->audio->levelled($levelling)];

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

        return $this->but(array_replace($this->values, [VideoValue::CELL => $video]), $this->range, $this->frames, $this->duration);
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
