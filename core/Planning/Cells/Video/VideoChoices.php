<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** The video codecs and profiles that can be made, and how hard the coder tries. */
final class VideoChoices
{
    private const GROUPS = ['Delivery', 'Editing', 'Lossless', 'Stills'];

    /** @return list<Choice> */
    public static function all(Catalogue $catalogue): array
    {
        $choices = [
            new Choice('As the host asks', 'H.264 where it says nothing', 'host'),
            new Choice('None', 'Audio alone', 'none'),
        ];
        foreach (self::GROUPS as $group) {
            $choices = [...$choices, ...self::ofGroup($catalogue, $group)];
        }

        return $choices;
    }

    /** @return list<Choice> */
    private static function ofGroup(Catalogue $catalogue, string $group): array
    {
        $choices = [];
        foreach ($catalogue->videoCodecs() as $codec) {
            if (self::group($codec, $catalogue) !== $group) {
                continue;
            }
            foreach ($codec->profiles() as $profile => $name) {
                $choices[] = new Choice(
                    "{$codec->name()} {$name}",
                    self::about($codec, $profile),
                    ['codec' => $codec->id(), 'profile' => $profile],
                    $group,
                );
            }
            if ($codec->profiles() === []) {
                $choices[] = new Choice($codec->name(), self::about($codec, null), ['codec' => $codec->id()], $group);
            }
        }

        return $choices;
    }

    /** @return list<Part> */
    public static function parts(bool $hardware): array
    {
        $device = Part::options('device', 'Made by', [
            'Software' => ['software', 'Best picture for its file size'],
            'Graphics chip' => ['hardware', 'Many times as fast, about a third more bits'],
        ]);

        return [
            Part::options('effort', 'Effort', [
                'Fast' => ['fast', 'Larger files, soonest done'],
                'Medium' => ['medium', ''],
                'Slow' => ['slow', 'Smallest for its quality'],
            ]),
            Part::options('tune', 'Tuned for', ['Nothing' => null, 'Grain' => 'grain', 'Drawings' => 'animation', 'Stills' => 'stills']),
            ...($hardware ? [$device] : []),
            Part::text('level', 'Level', 'Empty for the lowest that holds'),
        ];
    }

    /** What people look for it among. */
    private static function group(VideoCodec $codec, Catalogue $catalogue): string
    {
        $stills = $catalogue->containers()['folder'] ?? null;

        return match (true) {
            $stills !== null && in_array($codec->id(), $stills->videoCodecs(), true) => 'Stills',
            $codec->rateModes() === [BitrateMode::Lossless] => 'Lossless',
            $codec->isIntraOnly() => 'Editing',
            default => 'Delivery',
        };
    }

    /** What a profile keeps of a fine picture, and what that costs. */
    private static function about(VideoCodec $codec, ?string $profile): string
    {
        $kept = $codec->pixelFormat($profile, new PixelFormat(Chroma::C444, 16, true));
        $rate = $codec->ownRate($profile, new FrameSize(1920, 1080), FrameRate::of(25));

        return implode(' · ', array_filter([
            $kept === null ? null : "{$kept->bitDepth}-bit {$kept->chroma->value}".($kept->alpha ? ' with alpha' : ''),
            match (true) {
                $rate !== null => "{$rate} at 1080p25",
                ! $codec->isIntraOnly() => 'small, for sending',
                $codec->rateModes() === [BitrateMode::Lossless] => 'lossless',
                default => 'every frame by itself',
            },
        ]));
    }
}
