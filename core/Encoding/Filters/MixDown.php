<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Reading\AudioReading;

/**
 * Many channels mixed into fewer, by the coefficients of ITU-R BS.775-4 (annex 4, table 2), with headroom: fronts that say the same as
 * the surrounds add up to more than full scale. The low-frequency channel is left out, as the standard lets one.
 */
final class MixDown
{
    private const HALF_POWER = 0.70711;

    /** Speakers of a layout in the order of its channels, by the engine's names for them. */
    private const LAYOUTS = [
        'mono' => ['FC'],
        'stereo' => ['FL', 'FR'],
        '2.1' => ['FL', 'FR', 'LFE'],
        '3.0' => ['FL', 'FR', 'FC'],
        '3.0(back)' => ['FL', 'FR', 'BC'],
        '3.1' => ['FL', 'FR', 'FC', 'LFE'],
        '4.0' => ['FL', 'FR', 'FC', 'BC'],
        'quad' => ['FL', 'FR', 'BL', 'BR'],
        'quad(side)' => ['FL', 'FR', 'SL', 'SR'],
        '4.1' => ['FL', 'FR', 'FC', 'LFE', 'BC'],
        '5.0' => ['FL', 'FR', 'FC', 'BL', 'BR'],
        '5.0(side)' => ['FL', 'FR', 'FC', 'SL', 'SR'],
        '5.1' => ['FL', 'FR', 'FC', 'LFE', 'BL', 'BR'],
        '5.1(side)' => ['FL', 'FR', 'FC', 'LFE', 'SL', 'SR'],
        '6.1' => ['FL', 'FR', 'FC', 'LFE', 'BC', 'SL', 'SR'],
        '7.1' => ['FL', 'FR', 'FC', 'LFE', 'BL', 'BR', 'SL', 'SR'],
    ];

    /** What channels without a layout are taken for. */
    private const USUAL = [1 => 'mono', 2 => 'stereo', 3 => '2.1', 4 => '4.0', 5 => '5.0', 6 => '5.1', 7 => '6.1', 8 => '7.1'];

    /**
     * The filter that mixes a track; null where nothing is mixed, or where this knows no way.
     *
     * @param  int  $channels  to end with
     * @param  float  $headroom  in dB
     */
    public static function filter(AudioReading $track, int $channels, float $headroom): ?string
    {
        $layout = self::LAYOUTS[$track->layout ?? ''] ?? self::LAYOUTS[self::USUAL[$track->channels] ?? ''] ?? [];
        $into = self::into($channels);
        if ($channels >= $track->channels || count($layout) !== $track->channels || $into === []) {
            return null;
        }
        $gain = 10 ** (-$headroom / 20);
        $mixed = [];
        foreach ($into as $number => $shares) {
            $parts = [];
            foreach ($layout as $index => $speaker) {
                if (isset($shares[$speaker])) {
                    $parts[] = sprintf('%.5F*c%d', $shares[$speaker] * $gain, $index);
                }
            }
            $mixed[] = "c{$number}=".($parts === [] ? '0*c0' : implode('+', $parts));
        }

        // In floating point nothing is cut off before the level is set.
        return 'aformat=sample_fmts=fltp,pan='.[1 => 'mono', 2 => 'stereo', 6 => '5.1'][$channels].'|'.implode('|', $mixed);
    }

    /** @return list<array<string, float>> for each channel that is made, what every speaker gives to it */
    private static function into(int $channels): array
    {
        $half = self::HALF_POWER;
        $side = static fn (string $side): array => [
            "F{$side}" => 1.0, 'FC' => $half, "B{$side}" => $half, "S{$side}" => $half, 'BC' => 0.5,
        ];
        $back = static fn (string $side): array => ["B{$side}" => $half, "S{$side}" => $half];

        return match ($channels) {
            1 => [['FL' => $half, 'FR' => $half, 'FC' => 1.0, 'BL' => 0.5, 'BR' => 0.5, 'SL' => 0.5, 'SR' => 0.5, 'BC' => $half]],
            2 => [$side('L'), $side('R')],
            6 => [['FL' => 1.0], ['FR' => 1.0], ['FC' => 1.0], ['LFE' => 1.0], $back('L'), $back('R')],
            default => [],
        };
    }
}
