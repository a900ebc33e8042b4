<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Keyframes;

use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class KeyframesSchema
{
    /** From one keyframe to the next. */
    public static function seconds(): Bounds
    {
        return new Bounds(0.1, 20, 0.1);
    }

    /** The same in frames. */
    public static function frames(): Bounds
    {
        return new Bounds(1, 1000);
    }

    /** Between two reference frames (ISO/IEC 14496-10, A.3.1: no more than the decoder keeps). */
    public static function bFrames(): Bounds
    {
        return new Bounds(0, 16);
    }

    /** Frames that a decoder keeps (ISO/IEC 14496-10, A.3.1 h). */
    public static function references(): Bounds
    {
        return new Bounds(1, 16);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::either(Shape::words(['host', 'intra']), Shape::object([
            'as' => Shape::words(['host', 'intra']),
            'seconds' => Shape::figure(self::seconds(), orNull: true),
            'frames' => Shape::figure(self::frames(), 'In place of seconds.', orNull: true, whole: true),
            'closed' => Shape::flag(),
            'bFrames' => Shape::figure(self::bFrames(), orNull: true, whole: true),
            'pyramid' => Shape::flag(),
            'references' => Shape::figure(self::references(), orNull: true, whole: true),
            'sceneCuts' => Shape::flag(),
        ]));
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'frames' => Shape::integer(),
            'seconds' => Shape::text(),
            'closed' => Shape::flag(),
            'bFrames' => Shape::integer(),
            'pyramid' => Shape::flag(),
            'references' => Shape::integer(orNull: true),
            'sceneCuts' => Shape::flag(),
        ]);
    }
}
