<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class AudioSchema
{
    /** Of one track, in kb/s; the most that any lossy codec here is usually given (AC-3, ETSI TS 102 366, 4.4.1.4). */
    public static function kilobits(): Bounds
    {
        return new Bounds(8, 640, 8);
    }

    /** In Hz. */
    public static function sampleRate(): Bounds
    {
        return new Bounds(8_000, 192_000);
    }

    /** Of one track. */
    public static function channels(): Bounds
    {
        return new Bounds(1, 8);
    }

    /** Integrated, in LUFS. */
    public static function loudness(): Bounds
    {
        return new Bounds(-40, -5, 0.5);
    }

    /** In dBTP. */
    public static function truePeak(): Bounds
    {
        return new Bounds(-10, 0, 0.5);
    }

    /** By which channels are lowered that are mixed into fewer, in dB. */
    public static function headroom(): Bounds
    {
        return new Bounds(0, 18, 0.5);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(
            Shape::words(['follow', 'host', 'none']),
            Shape::object([
                'as' => Shape::words(['follow', 'host', 'none']),
                'codec' => Shape::text(40),
                'kbps' => Shape::figure(self::kilobits(), orNull: true),
                'sampleRate' => Shape::integer(self::sampleRate(), orNull: true),
                'channels' => Shape::integer(self::channels(), orNull: true),
                'bitDepth' => ['type' => ['integer', 'null'], 'enum' => [16, 24, 32, null]],
                'loudness' => Shape::either(
                    Shape::figure(self::loudness(), 'Null leaves the level alone.', orNull: true),
                    Shape::words(['host']),
                ),
                'truePeak' => Shape::figure(self::truePeak(), orNull: true),
                'headroom' => Shape::figure(self::headroom(), 'By which a mix of channels is lowered.', orNull: true),
                'tracks' => Shape::words(['first', 'all']),
            ]),
        );
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'codec' => Shape::text(orNull: true),
            'bitrate' => Shape::integer(orNull: true),
            'kbps' => Shape::number(orNull: true),
            'sampleRate' => Shape::integer(orNull: true),
            'channels' => Shape::integer(orNull: true),
            'bitDepth' => Shape::integer(orNull: true),
            'tracks' => Shape::text(),
            'trackCount' => Shape::integer(),
            'loudness' => Shape::number(orNull: true),
            'truePeak' => Shape::number(orNull: true),
            'gain' => Shape::number(orNull: true),
            'limited' => Shape::flag(),
        ], [
            'headroom' => Shape::number(),
            'loudnessLabel' => Shape::text(orNull: true),
            'trackChannels' => ['type' => 'array', 'items' => Shape::integer()],
            'limit' => Shape::number('dBTP at which peaks are held.', orNull: true),
        ]);
    }
}
