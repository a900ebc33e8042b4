<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Black bars around the picture, in rows and columns of the coded picture. */
final readonly class Bars
{
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
