<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Encoding\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/** Pieces of a cut one after another in one file, decoded once and kept without loss at the cut's own size, rate and depth. */
final class ReelCommand
{
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
            // Every candidate reads it, and this one is read eight times as fast as the codec that makes files a fifth smaller (FFV1).
            'ffvhuff',
            '-context',
            '1',
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
}
