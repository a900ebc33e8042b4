<?php

namespace App\Analysis;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Workspace;
use Closure;
use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\Measurements;
use OuterCrate\Analysis\Segment;
use OuterCrate\Encoding\Commands\MeasureCommand;
use OuterCrate\Encoding\Commands\MeasuringPass;
use OuterCrate\Encoding\Commands\ProxyCommand;
use OuterCrate\Encoding\Commands\StripCommand;
use OuterCrate\Encoding\Progress;
use OuterCrate\Reading\Reading;
use RuntimeException;

/** Measures a cut segment by segment. What is finished is kept, so that it can be put down at any time and taken up again. */
class Analyser
{
    /** Pictures in the strip, at most two for each second. */
    private const MOST_PICTURES = 80;

    private const PICTURE_HEIGHT = 54;

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  bool  $proxy  also make the small video and the strip of small pictures
     * @param  Closure(int): void  $onFrames  told how many frames are done
     * @param  Closure(): bool  $shouldStop  asked several times a second
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function measure(Reading $reading, string $path, Workspace $space, bool $proxy, Closure $onFrames, Closure $shouldStop): Facts
    {
        $segments = Segment::all($reading, (int) config('crate.segment'));
        $checkpoint = $space->checkpoint($proxy);
        $facts = $checkpoint->facts;
        foreach (array_slice($segments, $checkpoint->segments) as $segment) {
            $pass = new MeasuringPass($reading, $segment, $proxy);
            $space->clear();
            $onProgress = fn (Progress $progress) => $onFrames(min($segment->range->last + 1, $segment->range->first + $progress->frames));
            $this->runner->encode(MeasureCommand::of($pass, $path), $space->folder, $onProgress, $shouldStop);
            $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();
            $measurements = new Measurements($space->open(...), $video, $segment->range->first, $pass->lead, $checkpoint->reference);
            try {
                $facts->append($measurements->facts($segment->range->count(), $pass->soundLead()));
            } catch (RuntimeException) {
                throw new EngineFailed(
                    "The picture could not be decoded from {$reading->timecode($segment->range->first)} on.",
                    'The file may be damaged there; play it, or export it again.',
                );
            }
            $checkpoint->reference = $measurements->reference();
            $checkpoint->segments++;
            $space->keep($checkpoint, $proxy);
            $onFrames($segment->range->last + 1);
        }
        if ($proxy && ! is_file($space->proxy())) {
            $this->finishProxy($reading, $path, $space, $shouldStop);
        }
        $space->clear();

        return $facts;
    }

    /** How many small pictures lie in the strip of a cut. */
    public static function pictures(Reading $reading): int
    {
        return max(1, min(self::MOST_PICTURES, (int) floor(2 * $reading->duration->toFloat())));
    }

    private function finishProxy(Reading $reading, string $path, Workspace $space, Closure $shouldStop): void
    {
        $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();
        $partial = $space->proxy().Workspace::PARTIAL;
        $proxy = ProxyCommand::of($reading, $path, $space->joinedPicture(), $partial);
        $this->runner->encode($proxy, dirname($partial), shouldStop: $shouldStop);
        $pictures = self::pictures($reading);
        $shown = $video->displaySize();
        $width = max(2, 2 * (int) round((self::PICTURE_HEIGHT * $shown->width) / $shown->height / 2));
        $seconds = $video->frameRate->secondsOf($reading->length())->toFloat();
        $strip = StripCommand::of($partial, $pictures, $seconds, $width, self::PICTURE_HEIGHT, $space->strip().Workspace::PARTIAL);
        $this->runner->encode($strip, dirname($partial));
        $space->keepProxy();
    }
}
