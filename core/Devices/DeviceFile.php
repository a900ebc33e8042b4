<?php

declare(strict_types=1);

namespace OuterCrate\Devices;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** Reads a device file, which was held to its schema before. */
final class DeviceFile
{
    /**
     * @param  array<mixed>  $file
     *
     * @throws InvalidArgumentException when it says what cannot be
     */
    public static function device(string $slug, array $file): Device
    {
        $fields = new Fields($file);
        $pictures = array_map(self::picture(...), $fields->rows('pictures'));
        $colours = array_map(ColourSpace::from(...), $fields->texts('colours'));
        $codecs = $fields->texts('codecs');
        if ($pictures === [] || $colours === [] || $codecs === []) {
            throw new InvalidArgumentException("The device {$slug} plays no picture, codec or colour.");
        }

        return new Device(
            slug: $slug,
            name: $fields->text('name') ?? $slug,
            about: $fields->text('about') ?? '',
            pictures: $pictures,
            codecs: $codecs,
            level: $fields->text('level'),
            slices: $fields->int('slices'),
            statesBuffer: $fields->bool('statesBuffer') ?? false,
            peak: Bitrate::kilobits($fields->float('peakKbps') ?? 0),
            buffer: (int) round(1000 * ($fields->float('bufferKbits') ?? 0)),
            keyframes: $fields->fraction('keyframeSeconds') ?? new Fraction(1),
            colours: $colours,
            file: $file,
        );
    }

    private static function picture(Fields $picture): PictureAsk
    {
        $rates = array_map(FrameRate::parse(...), $picture->texts('rates'));
        $scan = $picture->text('scan');

        return new PictureAsk(
            FrameSize::parse($picture->text('size') ?? ''),
            $rates === [] ? throw new InvalidArgumentException('A picture of a device has no rate.') : $rates,
            $scan === null ? null : $scan === 'fields',
        );
    }
}
