<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Json\Fields;
use OuterCrate\Units\Fraction;

/** Structure of the stream: how often a frame stands by itself, and what lies between. */
final readonly class KeyframesValue implements Value
{
    public const CELL = 'keyframes';

    /**
     * @param  int  $frames  from one keyframe to the next at most; 1 where every frame is one
     * @param  Fraction  $seconds  the same as a length of time
     * @param  int|null  $references  frames that the decoder keeps; null leaves them to the encoder
     * @param  bool  $sceneCuts  a keyframe is put where a new scene begins, too
     */
    public function __construct(
        public int $frames,
        public Fraction $seconds,
        public bool $closed,
        public int $bFrames,
        public bool $pyramid,
        public ?int $references = null,
        public bool $sceneCuts = true,
    ) {
    }

    public function isIntra(): bool
    {
        return $this->frames === 1;
    }

    public static function fromArray(Fields $value): self
    {
        return new self(
            frames: $value->needInt('frames'),
            seconds: Fraction::parse($value->needText('seconds')),
            closed: $value->bool('closed') ?? true,
            bFrames: $value->needInt('bFrames'),
            pyramid: $value->bool('pyramid') ?? true,
            references: $value->int('references'),
            sceneCuts: $value->bool('sceneCuts') ?? true,
        );
    }

    public function label(): string
    {
        if ($this->isIntra()) {
            return 'every frame';
        }
        $seconds = rtrim(rtrim(number_format($this->seconds->toFloat(), 2, '.', ''), '0'), '.');

        return "{$seconds}\u{2009}s · ".($this->closed ? 'closed' : 'open')." · {$this->bFrames} B";
    }

    public function canChange(): bool
    {
        return ! $this->isIntra();
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'frames' => $this->frames,
            'seconds' => (string) $this->seconds,
            'closed' => $this->closed,
            'bFrames' => $this->bFrames,
            'pyramid' => $this->pyramid,
            'references' => $this->references,
            'sceneCuts' => $this->sceneCuts,
        ];
    }
}
