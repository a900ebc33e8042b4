<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;
use OuterCrate\Reading\Reading;

/** Plan → what the engine is asked to do, as lists of arguments. */
final readonly class PassBuilder
{
    /** The gathering pass skips the costly decisions; measured at about a third of both passes together. */
    private const FIRST_PASS_WEIGHT = 35;

    public function __construct(private Encoders $encoders)
    {
    }

    /** @return non-empty-list<Pass> in the order in which they run */
    public function passes(Plan $plan, Reading $reading): array
    {
        $input = self::excerpt($plan, $reading)?->input() ?? [];
        if ($plan->rate->passes === 2) {
            return [
                new Pass($input, [...$this->picture($plan, $reading, 1), '-an', '-f', 'null'], false, self::FIRST_PASS_WEIGHT),
                new Pass($input, [...$this->picture($plan, $reading, 2), ...$this->sound($plan, $reading), ...$this->file($plan, $reading)], true, 100 - self::FIRST_PASS_WEIGHT),
            ];
        }

        return [new Pass($input, [...$this->picture($plan, $reading, 0), ...$this->sound($plan, $reading), ...$this->file($plan, $reading)], true, 100)];
    }

    /** @return list<string> */
    private function picture(Plan $plan, Reading $reading, int $pass): array
    {
        $video = $this->encoders->video($plan->picture->codec->id());
        $colour = $plan->colour->colour;

        return [
            '-map', '0:'.($reading->mainVideo()->index ?? 0),
            '-vf', FilterChain::of($plan, $reading, self::excerpt($plan, $reading)),
            '-fps_mode', 'cfr', '-r', (string) $plan->frameRate->rate,
            '-c:v', $video->encoder($plan->picture),
            ...$video->arguments($plan, $pass),
            '-pix_fmt', $plan->colour->pixelFormat->engineName(),
            ...($colour->primaries === null ? [] : ['-color_primaries', $colour->primaries]),
            ...($colour->transfer === null ? [] : ['-color_trc', $colour->transfer]),
            ...($colour->matrix === null ? [] : ['-colorspace', $colour->matrix]),
            '-color_range', $colour->fullRange ? 'pc' : 'tv',
        ];
    }

    /** @return list<string> */
    private function sound(Plan $plan, Reading $reading): array
    {
        $codec = $plan->sound->codec;
        $audio = $reading->mainAudio();
        if ($codec === null || $audio === null) {
            return ['-an'];
        }
        $arguments = $this->encoders->audio($codec->id());
        $excerpt = self::excerpt($plan, $reading);

        return [
            '-map', "0:{$audio->index}",
            ...($excerpt === null ? [] : ['-af', implode(',', $excerpt->sound())]),
            '-c:a', $arguments->encoder($plan->sound), ...$arguments->arguments($plan->sound),
            '-ar', (string) $plan->sound->sampleRate, '-ac', (string) $plan->sound->channels,
        ];
    }

    /** @return list<string> */
    private function file(Plan $plan, Reading $reading): array
    {
        $iso = in_array($plan->container->container->id(), ['mp4', 'mov'], true);
        $excerpt = self::excerpt($plan, $reading);
        // A master keeps the cut's tags and start timecode. What leaves the house carries neither.
        $keeps = $plan->spec->preset->role === Role::Master;

        return [
            // Chapters of a part would stand at the wrong times.
            '-sn', '-dn', '-map_chapters', $keeps && $excerpt === null ? '0' : '-1',
            ...($keeps && $excerpt !== null && $reading->extras->timecode !== null ? ['-timecode', (string) $reading->timecode($plan->range->first)] : []),
            ...($keeps ? ['-map_metadata', '0'] : ['-map_metadata', '-1', ...($iso ? ['-write_tmcd', '0'] : [])]),
            ...($iso ? ['-movflags', $plan->container->fastStart ? '+write_colr+faststart' : '+write_colr'] : []),
            '-f', $plan->container->container->muxer(),
        ];
    }

    /** Null where all of the cut is delivered, so that nothing is cut off by a rounded length. */
    private static function excerpt(Plan $plan, Reading $reading): ?Excerpt
    {
        $excerpt = new Excerpt($reading, $plan->range);

        return $excerpt->isWhole() ? null : $excerpt;
    }
}
