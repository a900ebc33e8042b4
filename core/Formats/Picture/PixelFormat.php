<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/**
 * Sampling, depth and alpha of a picture, and the engine's name for the three together.
 */
final readonly class PixelFormat
{
    /** @param  int  $bitDepth bits per component, 8 to 16 */
    public function __construct(public Chroma $chroma, public int $bitDepth, public bool $alpha = false)
    {
    }

    /** Reads the engine's name, such as `yuv422p10le`; null for a layout that has no equal here (palettes, Bayer). */
    public static function fromEngine(string $name): ?self
    {
        if (preg_match('~^(yuva?)(j?)(420|422|444|411|440|410)p(9|10|12|14|16)?(?:le|be)?$~', $name, $m) === 1) {
            $chroma = match ($m[3]) {
                '422', '440' => Chroma::C422,
                '444' => Chroma::C444,
                default => Chroma::C420,
            };

            return new self($chroma, isset($m[4]) ? (int) $m[4] : 8, $m[1] === 'yuva');
        }
        if (preg_match('~^gbr(a?)p(9|10|12|14|16)?(?:le|be)?$~', $name, $m) === 1) {
            return new self(Chroma::Rgb, isset($m[2]) ? (int) $m[2] : 8, $m[1] === 'a');
        }

        return match ($name) {
            'nv12', 'nv21', 'gray', 'pal8', 'monob', 'monow' => new self(Chroma::C420, 8),
            'p010le', 'p010be', 'gray10le' => new self(Chroma::C420, 10),
            'uyvy422', 'yuyv422', 'nv16' => new self(Chroma::C422, 8),
            'rgb24', 'bgr24', 'rgb0', 'bgr0', '0rgb', '0bgr' => new self(Chroma::Rgb, 8),
            'rgba', 'bgra', 'argb', 'abgr' => new self(Chroma::Rgb, 8, true),
            'rgb48le', 'rgb48be' => new self(Chroma::Rgb, 16),
            'rgba64le', 'rgba64be' => new self(Chroma::Rgb, 16, true),
            default => null,
        };
    }

    /** Of a picture that is not packed, alpha left out. */
    public function bytesPerPixel(): float
    {
        return $this->chroma->samplesPerPixel() * ($this->bitDepth > 8 ? 2 : 1);
    }

    public function engineName(): string
    {
        $depth = $this->bitDepth === 8 ? '' : $this->bitDepth.'le';

        return $this->chroma === Chroma::Rgb
            ? 'gbr'.($this->alpha ? 'a' : '').'p'.$depth
            : 'yuv'.($this->alpha ? 'a' : '').str_replace(':', '', $this->chroma->value).'p'.$depth;
    }
}
