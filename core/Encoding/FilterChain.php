<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\Scan;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** What happens to the picture between decoder and encoder, in the engine's filter notation. */
final class FilterChain
{
    /** @param  Excerpt|null  $excerpt  the part of the cut that is kept; null for all of it */
    public static function of(Plan $plan, Reading $reading, ?Excerpt $excerpt = null): string
    {
        $video = $reading->mainVideo();
        $size = $plan->frameSize;
        $colour = $plan->colour->colour;
        $filters = [];
        if ($plan->frameRate->deinterlace) {
            $filters[] = 'bwdif=mode=send_frame:parity='.($video?->scan === Scan::BottomFieldFirst ? 'bff' : 'tff').':deint=all';
        }
        // Fields are woven first, with the help of the frames outside.
        array_push($filters, ...($excerpt?->picture() ?? []));
        $rate = $plan->frameRate->rate;
        // An excerpt of uneven frames comes at the cut's rate already.
        if ($plan->frameRate->convert && ($excerpt === null || ! $rate->equals($video->frameRate ?? $rate))) {
            // Where a part ends, the engine does not know for how long its last frame is to be seen: it is held, and cut off below.
            array_push($filters, ...($excerpt === null ? [] : ['tpad=stop=2:stop_mode=clone']));
            $filters[] = "fps=fps={$rate}";
        }
        if ($excerpt !== null) {
            $filters[] = "trim=end_frame={$plan->frames}";
        }
        if ($plan->colour->toneMap) {
            // Reference white of PQ content lies at 203 cd/m² (ITU-R BT.2408, 2.2); BT.709 display white at 100.
            array_push($filters, 'zscale=transfer=linear:npl=203', 'format=gbrpf32le', 'zscale=primaries=bt709', 'tonemap=tonemap=mobius:desat=0', 'zscale=transfer=bt709:matrix=bt709:range=tv');
        }
        $scaled = $size->scaled ?? $size->picture;
        $scale = ['w='.$scaled->width, 'h='.$scaled->height, 'flags=lanczos+accurate_rnd+full_chroma_int'];
        if ($plan->frameRate->scan->isInterlaced()) {
            $scale[] = 'interl=1'; // chroma of the two fields must not be mixed
        }
        if ($video?->pixelFormat->chroma === Chroma::Rgb && $plan->colour->pixelFormat->chroma !== Chroma::Rgb) {
            array_push($scale, 'out_color_matrix=bt709', 'out_range=tv');
        }
        // Samples are computed anew where the codec has coefficients or a range of its own.
        if ($video !== null && ! $plan->colour->toneMap && $video->pixelFormat->chroma !== Chroma::Rgb && $plan->colour->pixelFormat->chroma !== Chroma::Rgb && $colour->fullRange !== $video->colour->fullRange) {
            $matrix = static fn (?string $name): string => match ($name) {
                'bt709' => 'bt709', 'bt2020nc', 'bt2020c' => 'bt2020', null => $video->size->shorterSide() > 576 ? 'bt709' : 'bt601', default => 'bt601',
            };
            array_push($scale, "in_color_matrix={$matrix($video->colour->matrix)}", "out_color_matrix={$matrix($colour->matrix)}", 'in_range='.($video->colour->fullRange ? 'pc' : 'tv'), 'out_range='.($colour->fullRange ? 'pc' : 'tv'));
        }
        array_push($filters, 'scale='.implode(':', $scale), 'format='.$plan->colour->pixelFormat->engineName());
        if ($size->scaled !== null) {
            $filters[] = "crop={$size->frame->width}:{$size->frame->height}";
        }
        if ($size->isPadded()) {
            $filters[] = "pad={$size->frame->width}:{$size->frame->height}:(ow-iw)/2:(oh-ih)/2";
        }
        $filters[] = "setsar={$size->sampleAspect->numerator}/{$size->sampleAspect->denominator}";
        if ($plan->frameRate->scan->isInterlaced()) {
            $filters[] = 'setfield='.$plan->frameRate->scan->value;
        } elseif ($plan->frameRate->deinterlace) {
            $filters[] = 'setfield=prog';
        }
        $filters[] = 'setparams='.implode(':', array_filter([
            $colour->primaries === null ? null : "color_primaries={$colour->primaries}",
            $colour->transfer === null ? null : "color_trc={$colour->transfer}",
            $colour->matrix === null ? null : "colorspace={$colour->matrix}",
            'range='.($colour->fullRange ? 'pc' : 'tv'),
        ]));

        return implode(',', $filters);
    }
}
