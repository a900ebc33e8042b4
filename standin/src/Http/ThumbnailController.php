<?php

namespace StandIn\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\File;

/** A picture that was sent (JPEG or PNG), or one of the three that the host picked. */
class ThumbnailController
{
    public function __invoke(Request $request, string $video): JsonResponse
    {
        $video = VideoController::find($request, $video);
        if (is_numeric($request->input('pick'))) {
            $name = 'pick-'.(int) $request->input('pick').'.jpg';
            is_file("{$video->folder()}/{$name}") || throw new Refusal(404, 'not-ready', 'The host has not picked that picture.');
            $video->update(['thumbnail' => $name]);

            return response()->json(['video' => Described::video($video)]);
        }
        $bytes = $request->getContent();
        $most = (int) config('standin.most.thumbnail');
        strlen($bytes) <= $most || throw new Refusal(413, 'thumbnail', "A thumbnail has {$most} bytes at most.");
        $size = @getimagesizefromstring($bytes);
        $ending = [IMAGETYPE_JPEG => 'jpg', IMAGETYPE_PNG => 'png'][$size[2] ?? 0]
            ?? throw new Refusal(415, 'thumbnail', 'A thumbnail is a JPEG or a PNG.');
        ['width' => $width, 'height' => $height] = config('standin.thumbnail');
        if ($size[0] < $width || $size[1] < $height) {
            throw new Refusal(422, 'thumbnail', "A thumbnail has {$width}×{$height} pixels at least, not {$size[0]}×{$size[1]}.");
        }
        File::ensureDirectoryExists($video->folder());
        $name = "own.{$ending}";
        file_put_contents("{$video->folder()}/{$name}", $bytes);
        $video->update(['thumbnail' => $name]);

        return response()->json(['video' => Described::video($video)]);
    }
}
