<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Shape;

/** The shape of the rule and of the decided value. */
final class BitrateSchema
{
    /** Of the picture, in kb/s: less holds no picture, and more is no codec's business. */
    public static function kilobits(): Bounds
    {
        return new Bounds(16, 2_000_000);
    }

    /** Seconds that fill the buffer of a decoder at the peak: the less, the stricter the peak, and the worse the picture. */
    public static function bufferSeconds(): Bounds
    {
        return new Bounds(0.1, 10, 0.05);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function rule(): array
    {
        return Shape::object([
            'mode' => Shape::words(array_column(BitrateMode::cases(), 'value')),
            'passes' => ['type' => 'integer', 'enum' => [1, 2]],
            'average' => Shape::either(
                Shape::object(['kbps' => Shape::figure(self::kilobits(), 'Kilobits per second.')], ['kbps']),
                Shape::object(['timesAsk' => Shape::positive('The host’s ask times this.')], ['timesAsk']),
                Shape::object(['bitsPerPixel' => Shape::positive(most: 48)], ['bitsPerPixel']),
                Shape::object(['bytes' => Shape::integer(about: 'Of the whole file, which is to stay under it.')], ['bytes']),
                Shape::object([
                    'sendSeconds' => Shape::positive(),
                    'lineKbps' => Shape::positive('What the line sends.'),
                ], ['sendSeconds', 'lineKbps']),
            ),
            'peak' => Shape::either(
                Shape::words(['host']),
                Shape::object(['kbps' => Shape::figure(self::kilobits(), 'Kilobits per second.')], ['kbps']),
                Shape::object(['timesAverage' => Shape::positive('The average times this.')], ['timesAverage']),
            ),
            'buffer' => Shape::object(['seconds' => Shape::figure(self::bufferSeconds(), 'At the peak.')], ['seconds']),
            'quality' => Shape::integer(about: 'On the codec’s own scale.'),
        ]);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function value(): array
    {
        return Shape::value([
            'mode' => Shape::words(array_column(BitrateMode::cases(), 'value')),
            'passes' => Shape::integer(),
            'average' => Shape::integer(orNull: true),
            'peak' => Shape::integer(orNull: true),
            'quality' => Shape::integer(orNull: true),
            'target' => Shape::integer(about: 'Bytes that the file is to stay under.', orNull: true),
        ], [
            'buffer' => Shape::integer(about: 'Bits that a decoder holds ready.', orNull: true),
            'bufferSeconds' => Shape::number('In which it fills at the peak.', orNull: true),
            'peakLabel' => Shape::text(orNull: true),
        ]);
    }
}
