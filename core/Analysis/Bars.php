<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\FrameWindow;

/** Black bars around the picture, in rows and columns of the upright picture before its pixels are made square. */
final readonly class Bars
{
    /** Sides of a picture that anyone would look at. */
    private const LEAST = 32;

    public function __construct(public int $top, public int $bottom, public int $left, public int $right)
    {
    }

    /** What stays black in every sample that is not black all over. */
    public static function in(Facts $facts): self
    {
        $edges = [];
        foreach ([Measure::Top, Measure::Bottom, Measure::Left, Measure::Right] as $edge) {
            $seen = array_filter($facts->of($edge)->all(), static fn (float $rows): bool => (int) $rows !== Measure::BLACK_FRAME);
            $least = $seen === [] ? 0 : (int) min($seen);
            $edges[] = $least < 2 ? 0 : $least;
        }

        return new self(...$edges);
    }

    /**
     * What they leave of a picture, its edges moved inwards to where subsampled chroma of frames and of fields can be cut;
     * null where there are no bars, or hardly anything but bars.
     */
    public function inside(FrameSize $picture): ?FrameWindow
    {
        $left = $this->left + ($this->left % 2);
        $top = $this->top + ((4 - ($this->top % 4)) % 4);
        $width = $picture->width - $left - $this->right;
        $height = $picture->height - $top - $this->bottom;

        return ! $this->any() || $width < self::LEAST || $height < self::LEAST
            ? null
            : new FrameWindow($left, $top, new FrameSize($width - ($width % 2), $height - ($height % 4)));
    }

    /** As an analysis tells them (resources/schema/analysis.json). */
    public static function told(Fields $bars): self
    {
        return new self(...array_map(static fn (string $edge): int => $bars->int($edge) ?? 0, ['top', 'bottom', 'left', 'right']));
    }

    public function any(): bool
    {
        return $this->top + $this->bottom + $this->left + $this->right > 0;
    }

    public function label(): string
    {
        $parts = [];
        foreach (['top' => $this->top, 'bottom' => $this->bottom, 'left' => $this->left, 'right' => $this->right] as $edge => $pixels) {
            if ($pixels > 0) {
                $parts[] = "{$pixels}\u{2009}px {$edge}";
            }
        }

        return $parts === [] ? 'none' : implode(', ', $parts);
    }

    /** @return array{top: int, bottom: int, left: int, right: int} */
    public function toArray(): array
    {
        return ['top' => $this->top, 'bottom' => $this->bottom, 'left' => $this->left, 'right' => $this->right];
    }
}
