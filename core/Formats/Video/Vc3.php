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

/** VC-3: SMPTE ST 2019-1, as DNxHR for any frame and as DNxHD for HD. A mezzanine of constant rate, every frame by itself. */
final class Vc3 implements VideoCodec
{
    use EveryFrameByItself;
    use WithoutLevels;

    /** Bytes of a macroblock over 255 (ST 2019-1, annex for resolution-independent profiles). */
    private const MACROBLOCK = ['hr-lb' => 5_888, 'hr-sq' => 18_944, 'hr-hq' => 28_672, 'hr-hqx' => 28_672, 'hr-444' => 57_344];

    /** DNxHD: compressed bytes of a frame for 1920×1080 and 1280×720 (ST 2019-1, table of compression IDs). */
    private const HD = [
        'hd-lb' => ['1920×1080' => 188_416],
        'hd-sq' => ['1920×1080' => 606_208, '1280×720' => 303_104],
        'hd-hq' => ['1920×1080' => 917_504, '1280×720' => 458_752],
        'hd-hqx' => ['1920×1080' => 917_504, '1280×720' => 458_752],
    ];

    public function id(): string
    {
        return 'dnxhd';
    }

    public function name(): string
    {
        return 'VC-3';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 77_000_000, joining: Joining::AsTheyAre);
    }

    public function profiles(): array
    {
        return [
            'hr-hqx' => 'DNxHR HQX',
            'hr-hq' => 'DNxHR HQ',
            'hr-sq' => 'DNxHR SQ',
            'hr-lb' => 'DNxHR LB',
            'hr-444' => 'DNxHR 444',
            'hd-hqx' => 'DNxHD HQX',
            'hd-hq' => 'DNxHD HQ',
            'hd-sq' => 'DNxHD SQ',
            'hd-lb' => 'DNxHD LB',
        ];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return match ($profile) {
            'hr-444' => new PixelFormat(Chroma::C444, 10),
            'hr-hqx', 'hd-hqx', null => new PixelFormat(Chroma::C422, 10),
            default => new PixelFormat(Chroma::C422, 8),
        };
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [BitrateMode::Codec];
    }

    /** Every frame has the same size, in steps of 4096 bytes. */
    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): Bitrate
    {
        $profile ??= 'hr-hqx';
        $bytes =
            self::HD[$profile][(string) $size] ??
            max(
                8192,
                intdiv(intdiv($size->macroblocks() * (self::MACROBLOCK[$profile] ?? self::MACROBLOCK['hr-hqx']), 255) + 2048, 4096) * 4096,
            );

        return new Bitrate($rate->perSecond->times($bytes * 8)->round());
    }

    public function refuses(?string $profile, FrameSize $size, FrameRate $rate): ?string
    {
        $sizes = array_keys(self::HD[$profile ?? ''] ?? []);

        return match (true) {
            $sizes !== [] && ! in_array((string) $size, $sizes, true) => "{$this->profiles()[$profile ?? '']} has frames of ".
                implode(' and ', $sizes).
                ", not of {$size}. DNxHR takes any.",
            $size->width < 256 || $size->height < 120 => "VC-3 needs frames of 256×120 or more, not {$size}.",
            default => null,
        };
    }

    public function quality(): ?QualityScale
    {
        return null;
    }

    /** DNxHR is progressive (ST 2019-1); DNxHD of fields is not made here. */
    public function keepsFields(Container $container): bool
    {
        return false;
    }

    /** The engine writes no aspect ratio of VC-3 into MXF. */
    public function keepsPixelShape(Container $container): bool
    {
        return $container->id() !== 'mxf';
    }
}
