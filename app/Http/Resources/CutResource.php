<?php

namespace App\Http\Resources;

use App\Models\Cut;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\Timecode;

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
            'poster' => "/api/cuts/{$cut->id}/poster?v={$cut->modified}",
            'bytes' => $cut->bytes,
        ] + $cut->card;
    }

    /**
     * What the reading gives to it; kept with the cut, so that a shelf of a thousand opens at once.
     *
     * @param  array<string, mixed>  $reading
     * @return array<string, mixed>
     */
    public static function card(array $reading): array
    {
        $video = $reading['video'][0];
        $rate = FrameRate::parse($video['frameRate']);

        return [
            'container' => $reading['containerName'],
            'picture' => $video['label'],
            'width' => $video['width'],
            'height' => $video['height'],
            'displayWidth' => $video['displayWidth'],
            'displayHeight' => $video['displayHeight'],
            'frameRate' => $video['frameRate'],
            'frameRateLabel' => $video['frameRateLabel'].($video['variableRate'] ? ' variable' : ''),
            'pixels' => $video['width'].'×'.$video['height'].($video['sampleAspect'] === '1' ? '' : ' · '.str_replace('/', ':', $video['sampleAspect']).' pixels'),
            'rate' => $video['frameRateLabel'].($video['variableRate'] ? ' · variable' : '').($video['scan'] === 'progressive' ? '' : ' · interlaced'),
            'scan' => $video['scan'],
            'colour' => $video['colour']['label']." · {$video['bitDepth']}-bit {$video['chroma']}",
            'hdr' => $video['hdr'],
            'sound' => $reading['audio'][0]['label'] ?? 'none',
            'frames' => $video['frames'],
            'first' => (string) new Timecode(0, $rate),
            'last' => (string) new Timecode($video['frames'] - 1, $rate),
            'duration' => $reading['duration'],
            'durationLabel' => $reading['durationLabel'],
            'bytesLabel' => $reading['bytesLabel'],
            'bitrate' => $video['bitrate'],
            'bitrateLabel' => (string) new Bitrate($video['bitrate']),
        ];
    }
}
