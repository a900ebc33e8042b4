<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** VC-5 as CineForm writes it: SMPTE ST 2073-1. A wavelet mezzanine, every frame by itself. */
final class Vc5 implements VideoCodec
{
    use EveryFrameByItself;
    use WithoutLevels;

    public function id(): string
    {
        return 'cfhd';
    }

    public function name(): string
    {
        return 'VC-5';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts;
    }

    public function profiles(): array
    {
        return [];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return $wanted->chroma === Chroma::Rgb || $wanted->chroma === Chroma::C444
            ? new PixelFormat(Chroma::Rgb, 12, $wanted->alpha)
            : new PixelFormat(Chroma::C422, 10);
    }

    /** Its streams tell no range, and MOV tells none for them: RGB is taken for full, the rest for limited. */
    public function tags(Colour $colour): Colour
    {
        return new Colour($colour->primaries, $colour->transfer, $colour->matrix, $colour->fullRange && $colour->matrix === 'gbr');
    }

    public function rateModes(): array
    {
        return [BitrateMode::Quality];
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    /**
     * The engine's encoder divides lines by 16, as its transform does four times over. Columns it takes by 8, and of a width that 16
     * divides and 32 does not by 16: of others it writes frames that no decoder reads, or ends (libavcodec 59, found by decoding what
     * it made of 300 sizes).
     */
    public function refuses(?string $profile, FrameSize $size, FrameRate $rate): ?string
    {
        $lines = $size->width % 32 === 0 ? 8 : 16;

        return match (true) {
            $size->width % 16 !== 0 => "VC-5 needs a width that 16 divides, which {$size->width} is not.",
            $size->height < 32 => "VC-5 needs 32 lines or more, not {$size->height}.",
            $size->height % $lines !== 0 => "VC-5 at a width of {$size->width} needs lines that {$lines} divides, not {$size->height}.",
            default => null,
        };
    }

    /** From film3+ (0) to low (12). */
    public function quality(): QualityScale
    {
        return new QualityScale(0, 12, 3, 3.4, 5);
    }
}
