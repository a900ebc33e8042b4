<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

use InvalidArgumentException;

/**
 * Where in a frame detail was lost and bands came: cell by cell, by the measures that say it of the whole (DetailKept of the finest
 * octave, Banding at its finest scale).
 */
final readonly class FaultMap
{
    /** Cells across a frame; they are square, as nearly as whole pixels allow. */
    private const ACROSS = 32;

    /** Share of a cell's detail under which it is called lost. */
    public const LOST = 0.5;

    /** Of a cell, from which on its bands are seen: Banding::SEEN is of five scales, of which this is the finest and counts half. */
    public const BANDED = 2 * Banding::SEEN;

    /** Energy in codes squared under which a cell has no detail to lose: what rounding and a trace of noise come to. */
    private const NOTHING = 1.0;

    /**
     * @param  int  $columns  cells across
     * @param  float  $cell  side of a cell, as a share of the picture's width: the last ones of a row and a column may be cut off
     * @param  list<float|null>  $kept  share of the reference's finest detail, row by row; null where it has none
     * @param  list<float>  $bands  visibility of steps that the reference does not have
     */
    private function __construct(public int $columns, public float $cell, public array $kept, public array $bands)
    {
    }

    /**
     * Two planes of the same frame.
     *
     * @param  int  $lines  of the picture as it is shown at its size
     *
     * @throws InvalidArgumentException when their sizes differ
     */
    public static function of(Plane $reference, Plane $test, int $lines): self
    {
        [$width, $height] = [$reference->width, $reference->height];
        if ($width !== $test->width || $height !== $test->height) {
            throw new InvalidArgumentException('Both frames are to have the same size.');
        }
        $side = max(8, intdiv($width + self::ACROSS - 1, self::ACROSS));
        $columns = intdiv($width + $side - 1, $side);
        $cells = $columns * intdiv($height + $side - 1, $side);
        [$own, $other] = [Bands::finest($reference), Bands::finest($test)];
        $cross = $square = array_fill(0, $cells, 0.0);
        $places = array_fill(0, $cells, 0);
        for ($y = 0, $i = 0; $y < $height; $y++) {
            $row = intdiv($y, $side) * $columns;
            for ($x = 0; $x < $width; $x++, $i++) {
                $cell = $row + intdiv($x, $side);
                $cross[$cell] += $own[$i] * $other[$i];
                $square[$cell] += $own[$i] * $own[$i];
                $places[$cell]++;
            }
        }
        $kept = array_map(
            static fn (float $both, float $energy, int $count): ?float => $energy / max(1, $count) < self::NOTHING * Bands::PARTS ** 2
                ? null
                : max(0.0, min(1.0, $both / $energy)),
            $cross,
            $square,
            $places,
        );

        return new self($columns, $side / $width, $kept, self::bands($reference, $test, $lines, $side, $columns, $cells));
    }

    /** Share of the cells with detail in which it was lost; null where there is none. */
    public function lost(): ?float
    {
        $with = array_filter($this->kept, is_float(...));

        return $with === [] ? null : count(array_filter($with, static fn (float $kept): bool => $kept < self::LOST)) / count($with);
    }

    /** Share of the frame in which bands are seen. */
    public function banded(): float
    {
        $seen = array_filter($this->bands, static fn (float $bands): bool => $bands > self::BANDED);

        return count($seen) / max(1, count($this->bands));
    }

    /** Detail lost in 42 % of it, bands in 12 %; empty where nothing is wrong that could be seen. */
    public function words(): string
    {
        $percent = static fn (float $share): string => round(100 * $share)."\u{2009}%";
        $said = [];
        $lost = $this->lost() ?? 0.0;
        if ($lost >= 0.05) {
            $said[] = "detail lost in {$percent($lost)}";
        }
        if ($this->banded() >= 0.02) {
            $said[] = "bands in {$percent($this->banded())}";
        }

        return implode(', ', $said);
    }

    /** @return array<string, mixed> resources/schema/fault-map.json */
    public function toArray(): array
    {
        return [
            'columns' => $this->columns,
            'cell' => round($this->cell, 6),
            'rows' => intdiv(count($this->kept), max(1, $this->columns)),
            'lost' => array_map(static fn (?float $kept): bool => $kept !== null && $kept < self::LOST, $this->kept),
            'banded' => array_map(static fn (float $bands): bool => $bands > self::BANDED, $this->bands),
            'words' => $this->words(),
        ];
    }

    /** @return list<float> */
    private static function bands(Plane $reference, Plane $test, int $lines, int $side, int $columns, int $cells): array
    {
        [$own, $other] = [Banding::places($reference, $lines), Banding::places($test, $lines)];
        $across = intdiv($reference->width + Banding::GRID - 1, Banding::GRID);
        $sums = array_fill(0, $cells, 0.0);
        $counts = array_fill(0, $cells, 0);
        foreach ($other as $i => $seen) {
            $x = Banding::GRID * ($i % $across);
            $y = Banding::GRID * intdiv($i, $across);
            $cell = intdiv($y, $side) * $columns + intdiv($x, $side);
            $sums[$cell] += max(0.0, $seen - $own[$i]);
            $counts[$cell]++;
        }

        return array_map(static fn (float $sum, int $count): float => $sum / max(1, $count), $sums, $counts);
    }
}
