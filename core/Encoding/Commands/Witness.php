<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\Fraction;

/**
 * What a run sees of its cut before any filter decides on times: each decoded frame as a little grey picture with its time, and the
 * first seconds of sound. It is left in the working folder by the pass that writes the file, so that the finished file can be held
 * against it: what goes wrong in laying out frames or sound shows, and costs no second look at the cut.
 */
final readonly class Witness
{
    public const PICTURES = 'witness-pictures';

    public const TIMES = 'witness-times';

    public const SOUND = 'witness-sound';

    private Excerpt $excerpt;

    public function __construct(private Plan $plan, private Reading $reading)
    {
        $this->excerpt = new Excerpt($reading, $plan->range);
    }

    /** @return list<string> outputs of a pass, beside its file */
    public function outputs(): array
    {
        return [...$this->pictures(), ...$this->sound()];
    }

    /** @return list<string> */
    public function pictures(): array
    {
        $video = $this->reading->mainVideo();
        if ($video === null || ! $this->plan->hasVideo()) {
            return [];
        }
        $filters = [
            ...$this->shown(),
            DecodeCommand::LITTLE,
            // Times are printed of frames that carry a measurement: any that is taken of grey.
            'entropy',
            'metadata=mode=print:key=lavfi.entropy.entropy.normal.Y:file='.self::TIMES,
        ];

        return ['-map', "0:{$video->index}", '-vf', implode(',', $filters), '-fps_mode', 'passthrough', '-f', 'rawvideo', self::PICTURES];
    }

    /** @return list<string> */
    public function sound(): array
    {
        $sound = $this->plan->audio->codec === null || ! $this->plan->hasVideo() ? null : $this->reading->mainAudio();

        return $sound === null ? [] : [...DecodeCommand::heard($sound->index, $this->starts()->toFloat()), self::SOUND];
    }

    /** @return string|null the part of the finished frame that is picture, as a filter; null where all of it is */
    public function pictureInFrame(): ?string
    {
        $size = $this->plan->frameSize;

        return $size->isPadded()
            ? "crop={$size->picture->width}:{$size->picture->height}"
            : null;
    }

    /** Seconds at which the first frame of the plan lies among the times. */
    public function starts(): Fraction
    {
        return $this->excerpt->starts();
    }

    /** @return list<string> filters that leave of the cut's picture what the file shows of it */
    private function shown(): array
    {
        $size = $this->plan->frameSize;
        $window = $size->window;

        return [
            ...$window === null ? [] : ["crop={$window->size->width}:{$window->size->height}:{$window->left}:{$window->top}"],
            // Edges that are cut off after scaling.
            ...$size->scaled === null
                ? []
                : ["crop=iw*{$size->frame->width}/{$size->scaled->width}:ih*{$size->frame->height}/{$size->scaled->height}"],
        ];
    }
}
