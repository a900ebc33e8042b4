<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use Closure;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Fraction;

/**
 * The display that an HDR picture was graded on (SMPTE ST 2086). Chromaticities as CIE 1931 x and y; luminance in cd/m².
 *
 * @phpstan-type Point array{Fraction, Fraction}
 */
final readonly class MasteringDisplay
{
    /** @param  array{red: Point, green: Point, blue: Point, white: Point}|null  $points */
    private function __construct(public ?array $points, public ?Fraction $darkest, public ?Fraction $brightest)
    {
    }

    /** @param  Fields  $side  side data of the prober */
    public static function fromProbe(Fields $side): self
    {
        $point = static function (string $x, string $y) use ($side): ?array {
            $at = [$side->fraction($x), $side->fraction($y)];

            return $at[0] === null || $at[1] === null ? null : $at;
        };
        $red = $point('red_x', 'red_y');
        $green = $point('green_x', 'green_y');
        $blue = $point('blue_x', 'blue_y');
        $white = $point('white_point_x', 'white_point_y');

        return new self(
            $red === null || $green === null || $blue === null || $white === null
                ? null
                : ['red' => $red, 'green' => $green, 'blue' => $blue, 'white' => $white],
            $side->fraction('min_luminance'),
            $side->fraction('max_luminance'),
        );
    }

    /** @return array<string, string> as fromProbe takes it, exactly */
    public function toProbe(): array
    {
        $probe = ['min_luminance' => $this->darkest, 'max_luminance' => $this->brightest];
        foreach ($this->points ?? [] as $name => [$x, $y]) {
            $name = $name === 'white' ? 'white_point' : $name;
            $probe += ["{$name}_x" => $x, "{$name}_y" => $y];
        }

        return array_map(strval(...), array_filter($probe));
    }

    /** Display P3 primaries, 0.0001 to 1000 cd/m² */
    public function label(): string
    {
        $parts = [];
        if ($this->points !== null) {
            $parts[] = $this->gamut();
        }
        if ($this->brightest !== null) {
            $low = $this->darkest === null ? '0' : rtrim(rtrim(number_format($this->darkest->toFloat(), 4, '.', ''), '0'), '.');
            $parts[] = "{$low} to {$this->brightest->round()}\u{2009}cd/m²";
        }

        return implode(', ', $parts);
    }

    /**
     * As HEVC encoders take it: chromaticities in steps of 0.00002, luminance in steps of 0.0001 cd/m² (ITU-T H.265, D.3.28).
     * Null when a part is not known.
     */
    public function inSteps(): ?string
    {
        return $this->written(
            static fn (Fraction $x): string => (string) $x->times(50_000)->round(),
            static fn (Fraction $light): string => (string) $light->times(10_000)->round(),
        );
    }

    /** As AV1 encoders take it: plain numbers. Null when a part is not known. */
    public function inNumbers(): ?string
    {
        return $this->written(
            static fn (Fraction $x): string => sprintf('%.5F', $x->toFloat()),
            static fn (Fraction $light): string => sprintf('%.4F', $light->toFloat()),
        );
    }

    /**
     * @param  Closure(Fraction): string  $point
     * @param  Closure(Fraction): string  $light
     */
    private function written(Closure $point, Closure $light): ?string
    {
        if ($this->points === null || $this->brightest === null) {
            return null;
        }
        $text = '';
        foreach (['G' => 'green', 'B' => 'blue', 'R' => 'red', 'WP' => 'white'] as $letter => $name) {
            $text .= "{$letter}({$point($this->points[$name][0])},{$point($this->points[$name][1])})";
        }

        return "{$text}L({$light($this->brightest)},{$light($this->darkest ?? new Fraction(0))})";
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'red' => self::pair($this->points['red'] ?? null),
            'green' => self::pair($this->points['green'] ?? null),
            'blue' => self::pair($this->points['blue'] ?? null),
            'white' => self::pair($this->points['white'] ?? null),
            'darkest' => $this->darkest?->toFloat(),
            'brightest' => $this->brightest?->toFloat(),
            'label' => $this->label(),
        ];
    }

    /** The gamut whose green lies nearest: green tells the common ones apart (ITU-R BT.709, BT.2020; SMPTE RP 431-2). */
    private function gamut(): string
    {
        $green = $this->points['green'] ?? null;
        foreach (['BT.709' => [0.3, 0.6], 'P3' => [0.265, 0.69], 'BT.2020' => [0.17, 0.797]] as $name => [$x, $y]) {
            if ($green !== null && abs($green[0]->toFloat() - $x) < 0.005 && abs($green[1]->toFloat() - $y) < 0.005) {
                return "{$name} primaries";
            }
        }

        return 'primaries of its own';
    }

    /**
     * @param  array{Fraction, Fraction}|null  $point
     * @return array{float, float}|null
     */
    private static function pair(?array $point): ?array
    {
        return $point === null ? null : [round($point[0]->toFloat(), 5), round($point[1]->toFloat(), 5)];
    }
}
