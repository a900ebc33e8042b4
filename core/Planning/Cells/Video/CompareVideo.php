<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\VideoReading;

/** Codec, profile and level of a finished file against the plan. */
final class CompareVideo
{
    /** What the prober calls a profile → what it is called in plans. */
    private const ALIASES = ['HEVC Rext' => 'HEVC Main 4:2:2 10'];

    public static function found(Made $made): string
    {
        return $made->reading->mainVideo()?->label() ?? 'none';
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $label = $planned->text('label') ?? '';
        $video = $made->reading->mainVideo();
        if ($planned->text('codec') === NoVideo::ID) {
            return [];
        }
        if ($video === null) {
            return [new Difference(VideoCell::NAME, $label, 'none', 'The file has no picture.')];
        }
        $name = explode(' · ', $label)[0];
        if ($planned->text('codec') !== $video->codec || ! self::isNamed($name, $planned->text('profile'), $video)) {
            return [new Difference(VideoCell::NAME, $name, $video->label(), "The picture came out as {$video->label()}.")];
        }
        $wanted = $planned->text('level');
        $level = self::level($planned->text('codec'), $video->level);

        return $wanted !== null && $level !== null && version_compare($level, $wanted, '>')
            ? [new Difference(VideoCell::NAME, "level {$wanted}", "level {$level}", "The level came out as {$level}.")] : [];
    }

    private static function isNamed(string $planned, ?string $profile, VideoReading $video): bool
    {
        $found = self::ALIASES[$video->label()] ?? $video->label();
        // Of DNxHD a file says no more than that it is that.
        $silent = $video->codec === 'dnxhd' || $video->profile === null;

        return $profile === null || strcasecmp($planned, $found) === 0 || ($silent && stripos($planned, $found) === 0);
    }

    /** Levels are stored ×10 in H.264 (level_idc) and ×30 in HEVC (general_level_idc). */
    private static function level(?string $codec, ?int $stored): ?string
    {
        $times = match ($codec) {
            'h264' => 10, 'hevc' => 30, default => null,
        };

        return $stored === null || $times === null ? null : rtrim(rtrim(number_format($stored / $times, 1, '.', ''), '0'), '.');
    }
}
