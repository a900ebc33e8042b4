<?php

namespace App\Shelf;

use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** What the reading gives to shelf and sheet; kept with the cut, so that a shelf of a thousand opens at once. */
class CutCard
{
    public function __construct(private readonly Cells $cells)
    {
    }

    /** @return array<string, mixed> the parts of resources/schema/cut.json that come from the reading */
    public function of(Reading $reading, string $path): array
    {
        $video = $reading->mainVideo() ?? $reading->video[0];
        $length = $reading->length();
        $start = $reading->timecode(0);
        $bitrate = $video->bitrate ?? $reading->videoBitrate();
        $file = mb_scrub(basename($path));

        return [
            'values' => array_map(fn (Cell $cell): string => $cell->ofCut($reading, $file), $this->cells->all()),
            'width' => $video->size->width,
            'height' => $video->size->height,
            'displayWidth' => $video->displaySize()->width,
            'displayHeight' => $video->displaySize()->height,
            'frameRate' => (string) $video->frameRate,
            'frameRateLabel' => $video->frameRate->label().($video->variableRate ? ' variable' : ''),
            'scan' => $video->scan->value,
            'hdr' => $video->colour->isHdr(),
            'frames' => $length,
            'first' => (string) $start,
            'last' => (string) $reading->timecode($length - 1),
            'timecode' => [
                'start' => $start->frame,
                'perSecond' => max(1, $video->frameRate->perSecond->round()),
                'dropFrame' => $start->dropFrame,
            ],
            'duration' => (string) $reading->duration,
            'durationLabel' => (string) new Duration($reading->duration),
            'bytesLabel' => (string) new ByteCount($reading->bytes),
            'bitrate' => $bitrate->bitsPerSecond,
        ];
    }
}
