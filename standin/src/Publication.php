<?php

namespace StandIn;

use Illuminate\Support\Carbon;
use StandIn\Models\Video;

/** What has to be in order before a video is shown to everybody, and when that is. */
final class Publication
{
    /** @return list<string> what is not in order yet: names of details, `terms`, `processing` */
    public static function missing(Video $video): array
    {
        $missing = Details::missing($video->details);
        $video->account->terms === config('standin.terms') || $missing[] = 'terms';
        $video->renditions()->where('state', 'ready')->exists() || $missing[] = 'processing';

        return $missing;
    }

    /** A video whose time has come is public from now on. */
    public static function due(Video $video): void
    {
        if ($video->publish_at !== null && $video->publish_at->lte(Carbon::now()) && self::missing($video) === []) {
            $video->update(['visibility' => 'public', 'publish_at' => null]);
        }
    }
}
