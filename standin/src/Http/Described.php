<?php

namespace StandIn\Http;

use StandIn\Models\Caption;
use StandIn\Models\Rendition;
use StandIn\Models\Video;
use StandIn\Publication;

/** A video as the API tells of it. */
final class Described
{
    /** @return array<string, mixed> */
    public static function video(Video $video): array
    {
        $video->unsetRelations();
        Publication::due($video);

        return [
            'id' => $video->id,
            'page' => url("/pages/{$video->id}"),
            'state' => $video->state,
            'reason' => $video->reason,
            'tier' => $video->tier,
            'bytes' => $video->bytes,
            'sha256' => $video->sha256,
            'visibility' => $video->visibility,
            'publishAt' => $video->publish_at?->toIso8601ZuluString(),
            'details' => (object) $video->details,
            'missing' => Publication::missing($video),
            'renditions' => $video->renditions->map(fn (Rendition $one): array => [
                'lines' => $one->lines, 'codec' => $one->codec, 'state' => $one->state, 'bytes' => $one->bytes,
            ])->all(),
            'thumbnail' => $video->thumbnail,
            'captions' => $video->captions->map(fn (Caption $one): string => $one->language)->all(),
        ];
    }
}
