<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Reading\VideoReading;

/** What is done to the samples so that the picture looks the same in its new space, in the engine's filter notation. */
final readonly class ColourFilters
{
    /** In which a tone-mapped picture comes to the scaler. */
    private const RGB = 'format=gbrp12le';

    public function __construct(private ColourValue $value, private VideoReading $video)
    {
    }

    /** @return list<string> before the picture is scaled */
    public function conversion(): array
    {
        $source = $this->value->source;
        $target = $this->value->colour->isTagged() ? $this->value->colour : ColourSpace::Bt709->colour($this->value->colour->fullRange);
        if ($this->value->toneMap) {
            // Reference white of PQ content lies at 203 cd/m² (ITU-R BT.2408, 2.2); BT.709 display white at 100.
            return [
                ...$this->taggedAs($source),
                'zscale=transfer=linear:npl=203',
                'format=gbrpf32le',
                "zscale=primaries={$target->primaries}",
                'tonemap=tonemap=mobius:desat=0',
                "zscale=transfer={$target->transfer}",
                // As whole numbers, which cut off what no such screen shows. The scaler makes the matrix of it: left to itself it takes
                // that of BT.601.
                self::RGB,
                ...$this->fixed(),
            ];
        }
        if (! $this->value->converts) {
            return $this->fixed();
        }

        return [
            ...$this->taggedAs($source),
            // Steps are computed with more bits than either side has, so that none of them shows.
            'format='.
            (new PixelFormat(
                $this->video->pixelFormat->chroma === Chroma::Rgb ? Chroma::Rgb : Chroma::C444,
                max(12, $this->video->pixelFormat->bitDepth),
            ))->engineName(),
            "zscale=primaries={$target->primaries}:transfer={$target->transfer}:matrix={$this->matrix($target)}:range=".
            ($target->fullRange ? 'pc' : 'tv'),
            ...$this->fixed(),
        ];
    }

    /** @return list<string> options of the scaler, which changes matrix and range where nothing else did */
    public function scaling(): array
    {
        $target = $this->value->colour;
        $from = $this->isRgb();
        $to = $this->value->pixelFormat->chroma === Chroma::Rgb;
        $source =
            $this->value->converts || $this->value->toneMap
                ? new Colour(
                    $target->primaries,
                    $target->transfer,
                    $to ? $this->value->source->matrix : $target->matrix,
                    $target->fullRange,
                )
                : $this->value->source;
        $range = static fn (bool $full): string => $full ? 'pc' : 'tv';
        $options = match (true) {
            $from && $to => [],
            $from => ['out_color_matrix='.ScalerMatrix::named($target->matrix ?? 'bt709'), 'out_range='.$range($target->fullRange)],
            $to => ['in_color_matrix='.ScalerMatrix::named($source->matrix), 'in_range='.$range($source->fullRange)],
            $source->fullRange !== $target->fullRange ||
                ScalerMatrix::named($source->matrix) !== ScalerMatrix::named($target->matrix ?? $source->matrix) => [
                    'in_color_matrix='.ScalerMatrix::named($source->matrix),
                    'out_color_matrix='.ScalerMatrix::named($target->matrix ?? $source->matrix),
                    'in_range='.$range($source->fullRange),
                    'out_range='.$range($target->fullRange),
                ],
            default => [],
        };
        $dither = ['ordered' => null, 'error-diffusion' => 'ed', 'none' => 'none'][$this->value->dither] ?? null;

        return [...$options, ...$dither === null ? [] : ["sws_dither={$dither}"]];
    }

    /** Whether what comes to the scaler is red, green and blue. */
    private function isRgb(): bool
    {
        return $this->value->toneMap || $this->video->pixelFormat->chroma === Chroma::Rgb;
    }

    /** @return list<string> a lift of the middle tones that leaves black and white where they are */
    private function fixed(): array
    {
        if ($this->value->gamma === 1.0) {
            return [];
        }
        $curve = sprintf('minval+pow(clip((val-minval)/(maxval-minval)\,0\,1)\,1/%.3F)*(maxval-minval)', $this->value->gamma);

        return [
            $this->isRgb() && ! ($this->value->converts && ! $this->value->toneMap)
                ? "lutrgb=r='{$curve}':g='{$curve}':b='{$curve}'"
                : "lutyuv=y='{$curve}'",
        ];
    }

    /** @return list<string> the converter goes by what the frames say of themselves */
    private function taggedAs(Colour $source): array
    {
        return [
            "setparams=color_primaries={$source->primaries}:color_trc={$source->transfer}:colorspace={$source->matrix}:range=".
            ($source->fullRange ? 'pc' : 'tv'),
        ];
    }

    private function matrix(Colour $target): string
    {
        return $target->matrix === null || $target->matrix === 'gbr' ? 'bt709' : $target->matrix;
    }
}
