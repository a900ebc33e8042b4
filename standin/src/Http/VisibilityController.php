<?php

namespace StandIn\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use StandIn\Models\Video;
use StandIn\Publication;
use Throwable;

/** Who sees a video, now or from a time on. */
class VisibilityController
{
    public function __invoke(Request $request, string $video): JsonResponse
    {
        $video = VideoController::find($request, $video);
        $visibility = $request->input('visibility');
        if (! in_array($visibility, Video::VISIBILITIES, true)) {
            throw new Refusal(422, 'visibility', 'A video is '.implode(', ', Video::VISIBILITIES).'.');
        }
        $at = $this->at($request);
        $missing = $visibility === 'public' ? Publication::missing($video) : [];
        if ($missing !== [] && ($at === null || $missing !== ['processing'])) {
            throw new Refusal(409, 'not-in-order', 'It cannot be public yet: not everything is in order.', missing: $missing);
        }
        $video->update($at === null
            ? ['visibility' => $visibility, 'publish_at' => null]
            : ['publish_at' => $visibility === 'public' ? $at : null]);

        return response()->json(['video' => Described::video($video)]);
    }

    private function at(Request $request): ?Carbon
    {
        $at = $request->input('at');
        if ($at === null) {
            return null;
        }
        try {
            return Carbon::parse((string) $at)->utc();
        } catch (Throwable) {
            throw new Refusal(422, 'time', 'A time is written as 2026-11-28T18:00:00Z.');
        }
    }
}
