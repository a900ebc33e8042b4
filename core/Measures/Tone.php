<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** The curve from the reference's luma to what became of it, median by median, and how far the colours moved. */
final class Tone
{
    /** Codes in a bin of the curve. */
    private const BIN = 32;

    private const BINS = 32;

    /** The level of the bands that is looked at: smoothed twice, at half the size. */
    private const SMOOTHED = 1;

    /** Share of the places that a bin needs to have a say. */
    private const ENOUGH = 0.005;

    /** @var array<int, array<int, int>> by bin of the reference: how often each code came back */
    private array $came = [];

    /** @var array<int, array<int, int>> by bin: how often each code of the reference was there */
    private array $own = [];

    private int $places = 0;

    private int $blue = 0;

    private int $red = 0;

    private int $chroma = 0;

    /**
     * The same window of both, smoothed: of a grainy picture the brightest samples are grain, and would seem to become darker when it
     * goes.
     */
    public function add(Bands $reference, Bands $test): void
    {
        $came = $this->came;
        $own = $this->own;
        $other = $test->levels[self::SMOOTHED] ?? [];
        foreach ($reference->levels[self::SMOOTHED] ?? [] as $i => $value) {
            $code = intdiv($value + intdiv(Bands::PARTS, 2), Bands::PARTS);
            $back = intdiv($other[$i] + intdiv(Bands::PARTS, 2), Bands::PARTS);
            $bin = intdiv($code, self::BIN);
            $own[$bin][$code] = ($own[$bin][$code] ?? 0) + 1;
            $came[$bin][$back] = ($came[$bin][$back] ?? 0) + 1;
        }
        $this->came = $came;
        $this->own = $own;
        $this->places += count($other);
    }

    /** The chroma of the same window of both. */
    public function addChroma(Picture $reference, Picture $test): void
    {
        $this->blue += array_sum($test->cb->samples) - array_sum($reference->cb->samples);
        $this->red += array_sum($test->cr->samples) - array_sum($reference->cr->samples);
        $this->chroma += count($test->cb->samples);
    }

    /**
     * Codes of the reference and what came back of them, each the median of its bin, from dark to bright.
     *
     * @return list<array{from: float, to: float, share: float}>
     */
    public function curve(): array
    {
        $curve = [];
        for ($bin = 0; $bin < self::BINS; $bin++) {
            $count = array_sum($this->came[$bin] ?? []);
            if ($count === 0 || $count < self::ENOUGH * $this->places) {
                continue;
            }
            $curve[] = [
                'from' => self::median($this->own[$bin], $count),
                'to' => self::median($this->came[$bin], $count),
                'share' => $count / $this->places,
            ];
        }

        return $curve;
    }

    /** The largest step off the curve that changes nothing, as a share of the range from black to white; above 0 it became brighter. */
    public function shift(): float
    {
        $largest = 0.0;
        foreach ($this->curve() as ['from' => $from, 'to' => $to]) {
            $step = ($to - $from) / (Plane::WHITE - Plane::BLACK);
            $largest = abs($step) > abs($largest) ? $step : $largest;
        }

        return $largest;
    }

    public function change(): ToneChange
    {
        return ToneChange::of($this->curve());
    }

    /** @return array{cb: float, cr: float} codes by which the colours moved on the mean */
    public function tint(): array
    {
        return ['cb' => (float) ($this->blue / max(1, $this->chroma)), 'cr' => (float) ($this->red / max(1, $this->chroma))];
    }

    /** @param  array<int, int>  $came */
    private static function median(array $came, int $count): float
    {
        ksort($came);
        $seen = 0;
        foreach ($came as $code => $times) {
            if (2 * ($seen + $times) >= $count) {
                // Within a code, as if its places were spread over it evenly.
                return $code - 0.5 + ($count / 2 - $seen) / $times;
            }
            $seen += $times;
        }

        return 0.0;
    }
}
