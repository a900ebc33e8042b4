<?php

namespace App\Http\Resources;

use App\Models\Cut;
use OuterCrate\Formats\Scan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** A cut as the shelf shows it (resources/schema/cut.json). */
final class CutResource
{
    /** @return array<string, mixed> */
    public static function of(Cut $cut): array
    {
        return [
            'id' => $cut->id,
            'name' => $cut->name,
            'file' => mb_scrub(basename($cut->path)),
            'path' => mb_scrub($cut->path),
            'fileState' => $cut->fileState(),
            'poster' => "/api/cuts/{$cut->id}/poster?v={$cut->modified}",
            'bytes' => $cut->bytes,
        ] + $cut->card;
    }

    /**
     * What the reading gives to it; kept with the cut, so that a shelf of a thousand opens at once.
     *
     * @return array<string, mixed>
     */
    public static function card(Reading $reading): array
    {
        $video = $reading->mainVideo() ?? $reading->video[0];
        $rate = $video->frameRate->label();
        $length = $reading->length();
        $bitrate = $video->bitrate ?? $reading->videoBitrate();

        return [
            'container' => $reading->containerName,
            'picture' => $video->label(),
            'width' => $video->size->width,
            'height' => $video->size->height,
            'displayWidth' => $video->displaySize()->width,
            'displayHeight' => $video->displaySize()->height,
            'frameRate' => (string) $video->frameRate,
            'frameRateLabel' => $rate.($video->variableRate ? ' variable' : ''),
            'pixels' => $video->size.($video->hasSquarePixels() ? '' : ' · '.str_replace('/', ':', (string) $video->sampleAspect).' pixels'),
            'rate' => $rate.($video->variableRate ? ' · variable' : '').($video->scan === Scan::Progressive ? '' : ' · interlaced'),
            'scan' => $video->scan->value,
            'keyframes' => $video->gop?->label($video->frameRate) ?? '',
            'colour' => $video->colour->label()." · {$video->pixelFormat->bitDepth}-bit {$video->pixelFormat->chroma->value}",
            'hdr' => $video->colour->isHdr(),
            'sound' => $reading->mainAudio()?->label() ?? 'none',
            'frames' => $length,
            'first' => (string) $reading->timecode(0),
            'last' => (string) $reading->timecode($length - 1),
            'timecode' => ['start' => $reading->timecode(0)->frame, 'perSecond' => max(1, $video->frameRate->perSecond->round()), 'dropFrame' => $reading->timecode(0)->dropFrame],
            'duration' => (string) $reading->duration,
            'durationLabel' => (string) new Duration($reading->duration),
            'bytesLabel' => (string) new ByteCount($reading->bytes),
            'bitrate' => $bitrate->bitsPerSecond,
            'bitrateLabel' => (string) $bitrate,
        ];
    }
}
