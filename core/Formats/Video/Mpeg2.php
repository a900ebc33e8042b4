<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** MPEG-2 video: ISO/IEC 13818-2, ITU-T H.262. */
final class Mpeg2 implements VideoCodec
{
    use BuildsOnOthers;
    use FindsLevel;

    /**
     * Tables 8-11 to 8-14, Main and 4:2:2 profile: level => [width, height, fps, luma samples per second, kb/s of Main profile,
     * of 4:2:2].
     */
    private const LEVELS = [
        'Low' => [352, 288, 30, 3_041_280, 4_000, 0],
        'Main' => [720, 576, 30, 10_368_000, 15_000, 50_000],
        'High 1440' => [1440, 1152, 60, 47_001_600, 60_000, 0],
        'High' => [1920, 1152, 60, 62_668_800, 80_000, 300_000],
    ];

    /** Bits of the video buffering verifier of Main profile (table 8-13). */
    private const BUFFERS = ['Low' => 475_136, 'Main' => 1_835_008, 'High 1440' => 7_340_032, 'High' => 9_781_248];

    /** Table 6-4. */
    private const RATES = ['24000/1001', '24', '25', '30000/1001', '30', '50', '60000/1001', '60'];

    public function id(): string
    {
        return 'mpeg2video';
    }

    public function name(): string
    {
        return 'MPEG-2';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 200_000_000, isForDelivery: true);
    }

    /** ISO/IEC 13818-2, 8. */
    public function levelLabel(int $level): string
    {
        return ([4 => 'High', 6 => 'High 1440', 8 => 'Main', 10 => 'Low'][$level] ?? 'level')." ({$level})";
    }

    public function profiles(): array
    {
        return ['main' => 'Main', 'p422' => '4:2:2'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat($profile === 'p422' ? Chroma::C422 : Chroma::C420, 8);
    }

    /** It has no way to tell the range; decoders take the limited one. */
    public function tags(Colour $colour): Colour
    {
        return new Colour($colour->primaries, $colour->transfer, $colour->matrix);
    }

    public function rateModes(): array
    {
        return [BitrateMode::Vbr, BitrateMode::Cbr, BitrateMode::Quality];
    }

    /** A fixed quantiser knows no rate. */
    public function holdsPeak(BitrateMode $mode): bool
    {
        return $mode !== BitrateMode::Quality;
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    public function levels(): array
    {
        return array_keys(self::LEVELS);
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        [$width, $height, $fps, $perSecond, $main, $fine] = self::LEVELS[$level] ?? [0, 0, 0, 0, 0, 0];
        $fits = $needs->size->width <= $width && $needs->size->height <= $height;

        return ($fits ? null : "{$needs->size} over {$width}×{$height}") ??
            (($needs->rate->perSecond->compare($fps) <= 0 ? null : "{$needs->rate->label()} fps over {$fps}") ??
                ($needs->overPixelRate($perSecond) ?? $needs->overRate(1000 * ($profile === 'p422' ? $fine : $main))));
    }

    public function buffer(string $level, ?string $profile): ?int
    {
        return self::BUFFERS[$level] ?? null;
    }

    public function refuses(?string $profile, FrameSize $size, FrameRate $rate): ?string
    {
        return in_array((string) $rate, self::RATES, true)
            ? null
            : "MPEG-2 has no frame rate of {$rate->label()} fps; it has 23.976, 24, 25, 29.97, 30, 50, 59.94 and 60.";
    }

    public function quality(): QualityScale
    {
        return new QualityScale(2, 31, 4, 0.45, 4);
    }

    /** The stream says it itself. */
    public function keepsFields(Container $container): bool
    {
        return true;
    }

    /** Decoders of the discs and broadcasts it is made for expect two. */
    public function mostBFrames(): int
    {
        return 2;
    }
}
