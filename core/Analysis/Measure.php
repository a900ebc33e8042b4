<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** What is measured, how often, and in which steps it is kept. */
enum Measure: string
{
    // Every frame. Brightness and differences lie on a scale from 0 (black) to 255 (white).
    case Mean = 'mean';
    case Brightest = 'brightest';
    /** Mean difference from the frame before. */
    case Difference = 'difference';
    /** 1 where the picture is the same as the ones before. */
    case Still = 'still';
    /** Spatial and temporal information, ITU-T P.910. */
    case Spatial = 'spatial';
    case Temporal = 'temporal';
    /** 1 where a field repeats that of the frame before. */
    case RepeatedField = 'repeatedField';

    // Every frame of a PQ picture, in cd/m²: its brightest pixel, and its mean.
    case LightPeak = 'lightPeak';
    case LightMean = 'lightMean';

    // A few times a second: how the fields lie, as FieldSample tells it.
    case Fields = 'fields';

    // Every second. Black rows and columns at the edges, in pixels of the coded picture; BLACK_FRAME where all was black.
    case Top = 'top';
    case Bottom = 'bottom';
    case Left = 'left';
    case Right = 'right';
    /** Share of the picture that is a gentle gradient, 0 to 1. */
    case Gradient = 'gradient';
    /** Standard deviation of the grain, on the scale to 255. */
    case Grain = 'grain';

    // Ten times a second: loudness in LUFS, raised by LIFT.
    case Momentary = 'momentary';
    case ShortTerm = 'shortTerm';
    /** The same of more than two channels mixed down to stereo. */
    case MixMomentary = 'mixMomentary';
    case MixShortTerm = 'mixShortTerm';

    // Twenty times a second: highest sample from 0 to 1, and level in dBFS raised by LIFT.
    case Peak = 'peak';
    case Level = 'level';

    public const BLACK_FRAME = 65_535;

    public const LIFT = 200;

    public const LOUDNESS_PER_SECOND = 10;

    public const PEAKS_PER_SECOND = 20;

    public function step(): float
    {
        return match ($this) {
            self::Mean, self::Difference, self::Spatial, self::Temporal => 1 / 256,
            self::LightMean => 0.2,
            self::Gradient => 1 / 10_000,
            self::Grain => 1 / 1000,
            self::Momentary, self::ShortTerm, self::MixMomentary, self::MixShortTerm, self::Level => 0.004,
            self::Peak => 1 / 20_000,
            default => 1.0,
        };
    }
}
