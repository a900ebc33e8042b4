<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\FieldMethod;
use OuterCrate\Planning\Values\FrameRateMethod;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;

/** What happens to the picture between decoder and encoder, in the engine's filter notation. */
final class FilterChain
{
    public static function of(Plan $plan, Reading $reading): string
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
        array_push($filters, ...(new Excerpt($reading, $plan->range))->picture());
        if ($size->window !== null) {
            $filters[] = "crop={$size->window->size->width}:{$size->window->size->height}:{$size->window->left}:{$size->window->top}";
        }
        array_push($filters, ...self::rate($plan, $video), ...$colours->conversion());
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

    /** @return list<string> from the cut's rate, at which frames lie after the excerpt, to the plan's */
    private static function rate(Plan $plan, VideoReading $video): array
    {
        $rate = $plan->frameRate->rate;
        if ($rate->equals($video->frameRate)) {
            return [];
        }

        return [
            // At the end, the engine does not know for how long the last frame is to be seen, and one that is drawn between two needs
            // the next: the last is held, and cut off below.
            'tpad=stop=2:stop_mode=clone',
            match ($plan->frameRate->by) {
                FrameRateMethod::Repeat => "fps=fps={$rate}",
                // A change of scene is not blended over.
                FrameRateMethod::Blend => "framerate=fps={$rate}:interp_start=0:interp_end=255:scene=8",
                FrameRateMethod::Motion => "minterpolate=fps={$rate}:mi_mode=mci:mc_mode=aobmc:me_mode=bidir:vsbmc=1",
            },
            "trim=end_frame={$plan->frames}",
        ];
    }
}
