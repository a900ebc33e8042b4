<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Json\Fields;

/** Codec, profile, level and how hard the coder tries. */
final readonly class VideoValue implements Value
{
    public const CELL = 'video';

    public const EFFORTS = ['fast', 'medium', 'slow'];

    /** What the encoder is told to look after. */
    public const TUNES = ['grain', 'animation', 'stills'];

    /**
     * @param  string|null  $tune  one of TUNES, for encoders that know it
     * @param  string|null  $hardware  the engine's encoder in a graphics chip; null for software
     */
    public function __construct(
        public VideoCodec $codec,
        public ?string $profile,
        public ?string $level,
        public string $effort,
        public ?string $tune = null,
        public ?string $hardware = null,
    ) {
    }

    public function atLevel(?string $level): self
    {
        return new self(
            codec: $this->codec,
            profile: $this->profile,
            level: $level,
            effort: $this->effort,
            tune: $this->tune,
            hardware: $this->hardware,
        );
    }

    /** @param  string|null  $hardware  the encoder in a graphics chip; null for software */
    public function madeBy(?string $hardware): self
    {
        return new self(
            codec: $this->codec,
            profile: $this->profile,
            level: $this->level,
            effort: $this->effort,
            tune: $this->tune,
            hardware: $hardware,
        );
    }

    /** Codec and profile in words: H.264 High. */
    public function name(): string
    {
        $profile = $this->profile === null ? null : $this->codec->profiles()[$this->profile] ?? $this->profile;

        return $profile === null ? $this->codec->name() : $this->codec->name().' '.$profile;
    }

    public static function fromArray(Fields $value, Catalogue $catalogue): self
    {
        $codec = $value->needText('codec');

        return new self(
            codec: $codec === NoVideo::ID ? new NoVideo : $catalogue->video($codec),
            profile: $value->text('profile'),
            level: $value->text('level'),
            effort: $value->needText('effort'),
            tune: $value->text('tune'),
            hardware: $value->text('encoder'),
        );
    }

    public function label(): string
    {
        return $this->name().
            ($this->level === null ? '' : ' · '.$this->level).
            ($this->tune === null ? '' : " · {$this->tune}").
            ($this->hardware === null ? '' : ' · hardware');
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'codec' => $this->codec->id(),
            'profile' => $this->profile,
            'level' => $this->level,
            'effort' => $this->effort,
            'tune' => $this->tune,
            'device' => $this->hardware === null ? 'software' : 'hardware',
            'encoder' => $this->hardware,
        ];
    }
}
