<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Recompression;

use OuterCrate\Units\FrameRate;

/** What an upload must be to get into a tier: everything that is said here. */
final readonly class Condition
{
    /**
     * @param  int|null  $shorterSide  lines, at least
     * @param  FrameRate|null  $frameRateAbove  more frames per second than this
     * @param  bool|null  $hdr  the dynamic range; null for either
     */
    public function __construct(public ?int $shorterSide = null, public ?FrameRate $frameRateAbove = null, public ?bool $hdr = null)
    {
    }

    public function holds(Upload $upload): bool
    {
        return ($this->shorterSide === null || $upload->frame->shorterSide() >= $this->shorterSide)
            && ($this->frameRateAbove === null || $upload->frameRate->isAbove($this->frameRateAbove))
            && ($this->hdr === null || $upload->hdr === $this->hdr);
    }

    /** 1440 lines or taller, above 30 fps. */
    public function words(): string
    {
        return implode(' and ', array_filter([
            $this->shorterSide === null ? null : "{$this->shorterSide} lines or taller",
            $this->frameRateAbove === null ? null : "above {$this->frameRateAbove->label()} fps",
            match ($this->hdr) {
                null => null, true => 'in HDR', false => 'in SDR',
            },
        ]));
    }

    /** @return array<string, mixed> as in a host file */
    public function toFile(): array
    {
        return array_filter([
            'shorterSide' => $this->shorterSide,
            'frameRateAbove' => $this->frameRateAbove === null ? null : (string) $this->frameRateAbove,
            'hdr' => $this->hdr,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
