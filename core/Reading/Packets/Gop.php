<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameRate;

/** Structure of a stream: how far its keyframes lie apart, and what lies between. */
final readonly class Gop
{
    /**
     * @param  int  $frames  from one keyframe to the next at most; 1 where every frame is one
     * @param  bool|null  $closed  null where only one GOP was seen
     * @param  int  $bFrames  in a row, at most
     */
    public function __construct(public int $frames, public ?bool $closed, public int $bFrames, public bool $pyramid)
    {
    }

    /** every frame; 50 frames (2 s) · closed · 2 B */
    public function label(FrameRate $rate): string
    {
        if ($this->frames === 1) {
            return 'every frame';
        }
        $seconds = rtrim(rtrim(number_format($rate->secondsOf($this->frames)->toFloat(), 2, '.', ''), '0'), '.');
        $closed = match ($this->closed) {
            true => ' · closed',
            false => ' · open',
            null => '',
        };

        return "{$seconds}\u{2009}s{$closed} · {$this->bFrames} B";
    }

    /** @return array{frames: int, closed: ?bool, bFrames: int, pyramid: bool} */
    public function toArray(): array
    {
        return ['frames' => $this->frames, 'closed' => $this->closed, 'bFrames' => $this->bFrames, 'pyramid' => $this->pyramid];
    }

    /** @param  array<mixed>  $gop as written by toArray() */
    public static function fromArray(array $gop): self
    {
        $fields = new Fields($gop);

        return new self(
            max(1, $fields->int('frames') ?? 1),
            $fields->bool('closed'),
            $fields->int('bFrames') ?? 0,
            $fields->bool('pyramid') ?? false,
        );
    }
}
