<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Filters\FieldFilters;
use OuterCrate\Encoding\Filters\ScalerMatrix;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\FrameSize;

/** How a cut's picture is shown on a BT.709 screen: square pixels, progressive, HDR and wide gamut brought into BT.709. */
final readonly class Viewing
{
    /** Gamuts wider than BT.709's (ITU-T H.273, table 2). */
    private const WIDE = ['bt2020', 'smpte431', 'smpte432', 'smpte428', 'film'];

    /** The kernel that pictures are scaled by for looking closely, without the scaler's shortcuts. */
    private const CAREFUL = 'bicubic+accurate_rnd+full_chroma_int';

    /** Colours that no BT.709 screen shows are cut off, as it does and as a conversion by the scaler does; luma would count them else. */
    private const SHOWABLE = ['format=gbrp12le', 'zscale=rangein=full:matrix=709:range=limited'];

    public function __construct(private VideoReading $video)
    {
    }

    /** The size it is shown in: upright, square pixels, inside a box of this side, never enlarged. */
    public function size(int $side): FrameSize
    {
        return $this->video->displaySize()->fitInside(new FrameSize($side, $side));
    }

    /** @return list<string> filters to come before any frame is left out: fields are woven with the help of their neighbours */
    public function progressive(): array
    {
        return $this->video->scan->isInterlaced() ? [FieldFilters::interpolated($this->video->scan)] : [];
    }

    /**
     * For a stream of video: BT.709, limited range, 4:2:0.
     *
     * @return list<string>
     */
    public function asVideo(FrameSize $size, string $scaler = 'bicubic'): array
    {
        return $this->isWide()
            ? [...$this->intoBt709($size, $scaler), ...self::SHOWABLE, 'format=yuv420p', 'setsar=1']
            : [$this->scale($size, 'bt709', 'tv', $scaler), 'format=yuv420p', 'setsar=1'];
    }

    /** The matrix that a picture is measured in: its own, since to bring it into another costs more than to measure it. */
    public function measuringMatrix(): string
    {
        return $this->isWide() ? 'bt709' : ScalerMatrix::of($this->video);
    }

    /**
     * For measuring: BT.709 primaries, limited range, 4:2:0 in 10 bits, where the scaler's shortcuts stay under a code; without them it
     * takes two and a half times as long.
     *
     * @param  string  $matrix  as the scaler calls it
     * @return list<string>
     */
    public function asMeasured(FrameSize $size, string $matrix = 'bt709'): array
    {
        $into = $matrix === 'bt709' ? [] : ["scale=in_color_matrix=bt709:out_color_matrix={$matrix}"];

        return $this->isWide()
            ? [...$this->intoBt709($size, 'bicubic'), ...self::SHOWABLE, ...$into, 'format=yuv420p10le', 'setsar=1']
            : [$this->scale($size, $matrix, 'tv', 'bicubic'), 'format=yuv420p10le', 'setsar=1'];
    }

    /**
     * For a JPEG: its coding has the coefficients of BT.601 and full range (ITU-T T.871, 7), whatever the picture's primaries.
     *
     * @return list<string>
     */
    public function asStill(FrameSize $size): array
    {
        return $this->isWide()
            ? [
                ...$this->intoBt709($size, 'bicubic'),
                'format=gbrp',
                'scale=out_color_matrix=bt601:out_range=pc:flags=accurate_rnd+full_chroma_int',
                'format=yuvj444p',
                'setsar=1',
            ]
            : [$this->scale($size, 'bt601', 'pc', self::CAREFUL), 'format=yuvj444p', 'setsar=1'];
    }

    /**
     * For looking at single pixels: full-range RGB, as a BT.709 screen shows it.
     *
     * @return list<string>
     */
    public function asPixels(FrameSize $size): array
    {
        return $this->isWide()
            ? [...$this->intoBt709($size, self::CAREFUL), 'format=gbrp', 'format=rgb24']
            : [
                "scale=w={$size->width}:h={$size->height}:in_color_matrix=".ScalerMatrix::of($this->video).':flags='.self::CAREFUL,
                'format=rgb24',
            ];
    }

    private function isWide(): bool
    {
        return $this->video->colour->isHdr() || in_array($this->video->colour->primaries, self::WIDE, true);
    }

    private function scale(FrameSize $size, string $matrix, string $range, string $scaler): string
    {
        return "scale=w={$size->width}:h={$size->height}:in_color_matrix=".
            ScalerMatrix::of($this->video).
            ":out_color_matrix={$matrix}:out_range={$range}:flags={$scaler}";
    }

    /**
     * Made small first, since linear light is costly. Reference white of HDR lies at 203 cd/m² (ITU-R BT.2408, 2.2).
     *
     * @return list<string>
     */
    private function intoBt709(FrameSize $size, string $scaler): array
    {
        $colour = $this->video->colour;
        $primaries =
            [
                'bt709' => '709',
                'bt2020' => '2020',
                'smpte431' => 'smpte431',
                'smpte432' => 'smpte432',
                'smpte428' => 'smpte428',
                'film' => 'film',
            ][$colour->primaries ?? 'bt2020'] ?? '709';
        $transfer =
            ['smpte2084' => 'smpte2084', 'arib-std-b67' => 'arib-std-b67', 'linear' => 'linear', 'iec61966-2-1' => 'iec61966-2-1'][
                $colour->transfer ?? ''
            ] ?? '709';
        $matrix =
            [
                'bt2020nc' => '2020_ncl',
                'bt2020c' => '2020_cl',
                'smpte170m' => '170m',
                'bt470bg' => '470bg',
                'ictcp' => 'ictcp',
                'gbr' => 'gbr',
            ][$colour->matrix ?? ''] ?? ($colour->primaries === 'bt2020' && $colour->matrix === null ? '2020_ncl' : '709');

        return [
            "scale=w={$size->width}:h={$size->height}:flags={$scaler}",
            "zscale=primariesin={$primaries}:transferin={$transfer}:matrixin={$matrix}:rangein=".
            ($colour->fullRange ? 'full' : 'limited').
            ':transfer=linear:npl=203',
            'format=gbrpf32le',
            'zscale=primaries=709',
            ...$colour->isHdr() ? ['tonemap=tonemap=mobius:desat=0'] : [],
            'zscale=transfer=709',
        ];
    }
}
