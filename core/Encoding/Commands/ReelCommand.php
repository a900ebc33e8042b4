<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\FrameRange;

/** Pieces of a cut one after another in one file, decoded once and kept without loss at the cut's own size, rate and depth. */
final class ReelCommand
{
    /** Bytes up to which pictures are kept as they are: what a machine holds in its memory, since it is read some thirty times. */
    private const AS_THEY_ARE = 512_000_000;

    /** Bytes of a pixel of what Matroska names as it is (draft-ietf-cellar-codec, V_UNCOMPRESSED), by the engine's name. */
    private const BYTES = ['yuv420p' => 1.5, 'yuvj420p' => 1.5, 'yuv422p' => 2.0, 'yuvj422p' => 2.0];

    /**
     * @param  list<FrameRange>  $pieces  in the order of the cut
     *
     * @throws InvalidArgumentException when there is no picture
     */
    public static function of(Reading $reading, string $cut, array $pieces, string $output): Command
    {
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to take pieces of.');
        $audio = $reading->mainAudio();
        $inputs = $chains = [];
        $joined = '';
        foreach ($pieces as $i => $piece) {
            $excerpt = new Excerpt($reading, $piece);
            array_push($inputs, ...Input::of($cut, $excerpt->input()));
            $chains[] = "[{$i}:{$video->index}]".implode(',', $excerpt->picture())."[v{$i}]";
            $joined .= "[v{$i}]";
            if ($audio !== null) {
                $length = $video->frameRate->secondsOf($piece->count())->toFloat();
                // Sound that ends early is silent to the end of its piece: the next one is not to begin too soon.
                $chains[] = "[{$i}:{$audio->index}]".implode(',', $excerpt->sound()).sprintf(',apad=whole_dur=%.6F', $length)."[a{$i}]";
                $joined .= "[a{$i}]";
            }
        }
        $count = count($pieces);
        $sound = $audio === null ? 0 : 1;
        $chains[] = "{$joined}concat=n={$count}:v=1:a={$sound}[picture]".($audio === null ? '' : '[sound]');
        $colour = $video->colour;

        return Command::encode(Allowance::Run, [
            ...$inputs,
            '-filter_complex',
            implode(';', $chains),
            '-map',
            '[picture]',
            '-fps_mode',
            'cfr',
            '-r',
            (string) $video->frameRate,
            '-c:v',
            ...self::codec($video, $pieces),
            ...$colour->primaries === null ? [] : ['-color_primaries', $colour->primaries],
            ...$colour->transfer === null ? [] : ['-color_trc', $colour->transfer],
            ...$colour->matrix === null ? [] : ['-colorspace', $colour->matrix === 'gbr' ? 'rgb' : $colour->matrix],
            '-color_range',
            $colour->fullRange ? 'pc' : 'tv',
            ...$audio === null ? [] : ['-map', '[sound]', '-c:a', 'pcm_s24le'],
            '-map_metadata',
            '-1',
            '-f',
            'matroska',
            'file:'.$output,
        ]);
    }

    /**
     * What is read fastest: every candidate and every measurement reads all of it.
     *
     * @param  list<FrameRange>  $pieces
     * @return list<string>
     */
    private static function codec(VideoReading $video, array $pieces): array
    {
        $frames = array_sum(array_map(static fn (FrameRange $piece): int => $piece->count(), $pieces));
        $bytes = (self::BYTES[$video->pixelFormatName] ?? INF) * $video->size->width * $video->size->height * $frames;

        // FFVHUFF is read eight times as fast as what makes files a fifth smaller (FFV1), and a fifth as fast as what is not packed.
        return $video->scan === Scan::Progressive && $bytes <= self::AS_THEY_ARE ? ['rawvideo'] : ['ffvhuff', '-context', '1'];
    }
}
