<?php

namespace StandIn\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use StandIn\Models\Caption;

/** Captions of a video, one WebVTT file a language (BCP 47). */
class CaptionController
{
    private const MOST = 1_000_000;

    public function update(Request $request, string $video, string $language): JsonResponse
    {
        $video = VideoController::find($request, $video);
        $text = $request->getContent();
        if (preg_match('~^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$~', $language) !== 1) {
            throw new Refusal(422, 'captions', 'A language is written as en or pt-BR.');
        }
        str_starts_with($text, 'WEBVTT') && strlen($text) <= self::MOST && mb_check_encoding($text)
            || throw new Refusal(415, 'captions', 'Captions are WebVTT in UTF-8, of one megabyte at most.');
        Caption::query()->updateOrCreate(['video_id' => $video->id, 'language' => $language], ['text' => $text]);

        return response()->json(['video' => Described::video($video)]);
    }

    public function destroy(Request $request, string $video, string $language): JsonResponse
    {
        $video = VideoController::find($request, $video);
        $video->captions()->where('language', $language)->delete();

        return response()->json(['video' => Described::video($video)]);
    }
}
