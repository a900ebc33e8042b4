<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;

/** How bits are spent on the picture. */
final readonly class BitrateValue implements Value
{
    public const CELL = 'bitrate';

    /**
     * @param  int|null  $quality  the codec's own scale, 0 (best) to 51
     * @param  int|null  $target  bytes that the file is to stay under
     * @param  int|null  $buffer  bits that a decoder holds ready, filled at the peak; null where no peak is held
     *
     * @throws InvalidArgumentException when the mode lacks its rate, or the peak lies below the average
     */
    public function __construct(
        public BitrateMode $mode,
        public int $passes = 1,
        public ?Bitrate $average = null,
        public ?Bitrate $peak = null,
        public ?int $quality = null,
        public ?int $target = null,
        public ?int $buffer = null,
    ) {
        if ($mode->hasAverage() && $average === null) {
            throw new InvalidArgumentException("{$mode->label()} needs an average rate.");
        }
        if ($average !== null && $peak !== null && $average->isAbove($peak)) {
            throw new InvalidArgumentException(
                "The peak, {$peak}, lies below the average, {$average}. Raise the peak or lower the average.",
            );
        }
    }

    public static function fromArray(Fields $value): self
    {
        return new self(
            mode: $value->needCase('mode', BitrateMode::class),
            passes: $value->needInt('passes'),
            average: $value->has('average') ? new Bitrate($value->needInt('average')) : null,
            peak: $value->has('peak') ? new Bitrate($value->needInt('peak')) : null,
            quality: $value->int('quality'),
            target: $value->int('target'),
            buffer: $value->int('buffer'),
        );
    }

    public function label(): string
    {
        return match ($this->mode) {
            BitrateMode::Quality => "Quality {$this->quality}".($this->peak === null ? '' : " · at most {$this->peak}{$this->over()}"),
            BitrateMode::Cbr => "CBR · {$this->average}",
            BitrateMode::Vbr => ($this->passes === 2 ? 'VBR, 2 passes' : 'VBR').' · '.$this->averageToPeak(),
            BitrateMode::Codec, BitrateMode::Lossless => $this->mode->label(),
        };
    }

    /** The unit is said once where both have the same: 9.9 ▸ 14.9 Mb/s. */
    private function averageToPeak(): string
    {
        if ($this->peak === null) {
            return (string) $this->average;
        }
        [$figure, $unit] = explode("\u{2009}", (string) $this->average);

        return (str_ends_with((string) $this->peak, $unit) ? $figure : $this->average)." ▸ {$this->peak}{$this->over()}";
    }

    /**
     * What the peak is a peak of. In any T seconds there are at most peak × T bits and one buffer more: with a buffer of a second
     * the fullest second may hold twice the peak.
     */
    public function peakLabel(): ?string
    {
        return $this->peak === null || $this->buffer === null ? null : "peak {$this->peak}{$this->over()} of buffer";
    }

    public function withBuffer(?int $bits): self
    {
        return new self($this->mode, $this->passes, $this->average, $this->peak, $this->quality, $this->target, $bits);
    }

    public function at(Bitrate $average): self
    {
        $peak = $this->mode === BitrateMode::Cbr ? $average : $this->peak;

        return new self($this->mode, $this->passes, $average, $peak, $this->quality, $this->target, $this->buffer);
    }

    public function inOnePass(): self
    {
        return new self($this->mode, 1, $this->average, $this->peak, $this->quality, $this->target, $this->buffer);
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'mode' => $this->mode->value,
            'passes' => $this->passes,
            'average' => $this->average?->bitsPerSecond,
            'peak' => $this->peak?->bitsPerSecond,
            'quality' => $this->quality,
            'target' => $this->target,
            'buffer' => $this->buffer,
            'bufferSeconds' => $this->bufferSeconds(),
            'peakLabel' => $this->peakLabel(),
        ];
    }

    /** Seconds in which the buffer fills at the peak, to two figures; null where no peak is held. */
    private function bufferSeconds(): ?float
    {
        return $this->peak === null || $this->buffer === null ? null : (float) sprintf('%.2g', $this->buffer / $this->peak->bitsPerSecond);
    }

    private function over(): string
    {
        return $this->bufferSeconds() === null ? '' : " over {$this->bufferSeconds()}\u{2009}s";
    }
}
