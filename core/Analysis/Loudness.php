<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Loudness of a programme (EBU R 128; ITU-R BS.1770-4; EBU Tech 3342), from its momentary and short-term loudness ten times a second. */
final readonly class Loudness
{
    /** Quieter than this nothing counts (BS.1770-4, 2.8). */
    private const SILENCE = -70.0;

    /**
     * @param  float|null  $integrated  in LUFS; null when all is silent
     * @param  float  $range  in LU
     * @param  float|null  $truePeak  in dBTP; null for no signal at all
     * @param  list<float>  $shortTerm  in LUFS, once a second
     */
    private function __construct(public ?float $integrated, public float $range, public ?float $truePeak, public array $shortTerm)
    {
    }

    /** Of the first track as it is. */
    public static function in(Facts $facts): ?self
    {
        return $facts->hasSound() ? self::measured($facts, Measure::Momentary, Measure::ShortTerm, $facts->truePeak) : null;
    }

    /** Of the first track mixed down to stereo, without headroom; null where it has no more than two channels. */
    public static function ofMix(Facts $facts): ?self
    {
        return $facts->of(Measure::MixMomentary)->count() > 0
            ? self::measured($facts, Measure::MixMomentary, Measure::MixShortTerm, $facts->mixTruePeak)
            : null;
    }

    private static function measured(Facts $facts, Measure $block, Measure $shortTerm, float $truePeak): self
    {
        $lower = static fn (float $value): float => $value - Measure::LIFT;
        $momentary = array_map($lower, $facts->of($block)->all());
        $short = array_map($lower, $facts->of($shortTerm)->all());
        $curve = [];
        for ($i = Measure::LOUDNESS_PER_SECOND - 1; $i < count($short); $i += Measure::LOUDNESS_PER_SECOND) {
            $curve[] = round(max(self::SILENCE, $short[$i]), 1);
        }
        $integrated = self::gated($momentary);

        return new self(
            $integrated === null ? null : round($integrated, 1),
            round(self::range($short), 1),
            $truePeak <= 0 ? null : round(20 * log10($truePeak), 1),
            $curve,
        );
    }

    /** @return array{integrated: ?float, range: float, truePeak: ?float, shortTerm: list<float>} */
    public function toArray(): array
    {
        return ['integrated' => $this->integrated, 'range' => $this->range, 'truePeak' => $this->truePeak, 'shortTerm' => $this->shortTerm];
    }

    /**
     * Mean power of the blocks that pass both gates: −70 LUFS, and 10 LU below the mean of those (BS.1770-4, 2.8).
     *
     * @param  list<float>  $blocks
     */
    public static function gated(array $blocks): ?float
    {
        $audible = array_values(array_filter($blocks, static fn (float $block): bool => $block > self::SILENCE));
        if ($audible === []) {
            return null;
        }
        $gate = self::mean($audible) - 10;

        return self::mean(array_values(array_filter($audible, static fn (float $block): bool => $block > $gate)));
    }

    /**
     * From the 10th to the 95th percentile of the short-term loudness, gated at −70 LUFS and 20 LU below its mean (Tech 3342, 3.1).
     *
     * @param  list<float>  $short
     */
    private static function range(array $short): float
    {
        $audible = array_values(array_filter($short, static fn (float $block): bool => $block > self::SILENCE));
        if ($audible === []) {
            return 0.0;
        }
        $gate = self::mean($audible) - 20;
        $counted = array_values(array_filter($audible, static fn (float $block): bool => $block >= $gate));
        sort($counted);
        $last = count($counted) - 1;

        return $counted[(int) round(0.95 * $last)] - $counted[(int) round(0.10 * $last)];
    }

    /** @param  non-empty-list<float>|list<float>  $blocks in LUFS; averaged as power */
    private static function mean(array $blocks): float
    {
        return 10 * log10(array_sum(array_map(static fn (float $block): float => 10 ** ($block / 10), $blocks)) / max(1, count($blocks)));
    }
}
