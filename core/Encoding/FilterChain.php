<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Cells\FrameRate\FieldMethod;
use OuterCrate\Planning\Cells\FrameRate\FrameRateMethod;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** What happens to the picture between decoder and encoder, in the engine's filter notation. */
final class FilterChain
{
    /** @param  Excerpt|null  $excerpt  the part of the cut that is kept; null for all of it */
    public static function of(Plan $plan, Reading $reading, ?Excerpt $excerpt = null): string
    {
        $video = $reading->mainVideo();
        if ($video === null) {
            return 'null';
        }
        $size = $plan->frameSize;
        $colours = new ColourFilters($plan->colour, $video);
        $filters = match ($plan->frameRate->fields) {
            FieldMethod::Interpolate => [FieldFilters::interpolated($plan->frameRate->source)],
            FieldMethod::Blend => [FieldFilters::BLENDED],
            null => [],
        };
        // Fields are made into frames first, with the help of the frames outside.
        array_push($filters, ...$excerpt?->picture() ?? []);
        if ($size->window !== null) {
            $filters[] = "crop={$size->window->size->width}:{$size->window->size->height}:{$size->window->left}:{$size->window->top}";
        }
        array_push($filters, ...self::rate($plan, $reading, $excerpt), ...$colours->conversion());
        $scaled = $size->scaled ?? $size->picture;
        $scale = ['w='.$scaled->width, 'h='.$scaled->height, 'flags=lanczos+accurate_rnd+full_chroma_int'];
        if ($plan->frameRate->scan->isInterlaced()) {
            $scale[] = 'interl=1'; // chroma of the two fields must not be mixed
        }
        array_push(
            $filters,
            'scale='.implode(':', [...$scale, ...$colours->scaling()]),
            'format='.$plan->colour->pixelFormat->engineName(),
        );
        if ($size->scaled !== null) {
            $filters[] = "crop={$size->frame->width}:{$size->frame->height}";
        }
        if ($size->isPadded()) {
            $filters[] = "pad={$size->frame->width}:{$size->frame->height}:(ow-iw)/2:(oh-ih)/2";
        }
        $filters[] = "setsar={$size->sampleAspect->numerator}/{$size->sampleAspect->denominator}";
        if ($plan->frameRate->scan->isInterlaced()) {
            $filters[] = 'setfield='.$plan->frameRate->scan->value;
        } elseif ($plan->frameRate->deinterlaces()) {
            $filters[] = 'setfield=prog';
        }
        $colour = $plan->colour->colour;
        $filters[] =
            'setparams='.
            implode(
                ':',
                array_filter([
                    $colour->primaries === null ? null : "color_primaries={$colour->primaries}",
                    $colour->transfer === null ? null : "color_trc={$colour->transfer}",
                    $colour->matrix === null ? null : "colorspace={$colour->matrix}",
                    'range='.($colour->fullRange ? 'pc' : 'tv'),
                ]),
            );

        return implode(',', $filters);
    }

    /** @return list<string> from the cut's rate to the plan's */
    private static function rate(Plan $plan, Reading $reading, ?Excerpt $excerpt): array
    {
        $rate = $plan->frameRate->rate;
        $video = $reading->mainVideo();
        $filters = [];
        // An excerpt of uneven frames comes at the cut's rate already.
        if ($plan->frameRate->convert && ($excerpt === null || ! $rate->equals($video->frameRate ?? $rate))) {
            // Where a part ends, the engine does not know for how long its last frame is to be seen, and one that is drawn
            // between two needs the next: the last is held, and cut off below.
            $drawn = $plan->frameRate->by !== FrameRateMethod::Repeat;
            array_push($filters, ...$excerpt === null && ! $drawn ? [] : ['tpad=stop=2:stop_mode=clone']);
            $even = $drawn && $video?->variableRate === true && $excerpt === null ? ["fps=fps={$video->frameRate}"] : [];
            array_push(
                $filters,
                ...$even,
                ...[
                    match ($plan->frameRate->by) {
                        FrameRateMethod::Repeat => "fps=fps={$rate}",
                        // A change of scene is not blended over.
                        FrameRateMethod::Blend => "framerate=fps={$rate}:interp_start=0:interp_end=255:scene=8",
                        FrameRateMethod::Motion => "minterpolate=fps={$rate}:mi_mode=mci:mc_mode=aobmc:me_mode=bidir:vsbmc=1",
                    },
                ],
            );
            if ($drawn) {
                return [...$filters, "trim=end_frame={$plan->frames}"];
            }
        }

        return $excerpt === null ? $filters : [...$filters, "trim=end_frame={$plan->frames}"];
    }
}
