<?php

namespace StandIn\Http;

use App\Models\Upload;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use StandIn\Details;
use StandIn\Faults;
use StandIn\Models\Video;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

class VideoController
{
    public function __construct(private readonly Faults $faults)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $videos = Video::query()->where('account_id', Signed::account($request)->id)->latest()->get();

        return response()->json(['videos' => $videos->map(Described::video(...))]);
    }

    /** Of a file that has arrived whole. The same key gives the same video, however often it is asked. */
    public function store(Request $request): JsonResponse
    {
        $account = Signed::account($request);
        $key = (string) $request->input('key');
        $known = $key === '' ? null : Video::query()->where(['account_id' => $account->id, 'key' => $key])->first();
        if ($known !== null) {
            return response()->json(['video' => Described::video($known)]);
        }
        $upload = Upload::query()->find((string) $request->input('upload'));
        if ($upload === null || $upload->file === null) {
            throw new Refusal(409, 'not-whole', 'The file has not arrived whole.');
        }
        if ($request->input('sha256') !== $upload->sha256 || $this->faults->strikes('checksum') !== null) {
            throw new Refusal(409, 'checksum', 'What arrived is not what was sent: its checksum is another. Send it again.');
        }
        $visibility = $request->input('visibility', 'private');
        if (! in_array($visibility, ['private', 'unlisted'], true)) {
            throw new Refusal(422, 'visibility', 'A new video is private or unlisted.');
        }
        $video = DB::transaction(function () use ($account, $key, $upload, $visibility, $request): Video {
            // Known by its upload as well: of two requests at once, the second finds the first one's.
            return Video::query()->firstOrCreate(['upload_id' => $upload->id], [
                'account_id' => $account->id,
                'key' => $key === '' ? null : $key,
                'file' => $upload->file,
                'bytes' => $upload->length,
                'sha256' => $upload->sha256,
                'visibility' => $visibility,
                'details' => Details::checked((array) $request->input('details', [])),
            ]);
        });

        return response()->json(['video' => Described::video($video)], 201);
    }

    public function show(Request $request, string $video): JsonResponse
    {
        return response()->json(['video' => Described::video(self::find($request, $video))]);
    }

    /** Details, those that are named. */
    public function update(Request $request, string $video): JsonResponse
    {
        $video = self::find($request, $video);
        $video->update(['details' => [...$video->details, ...Details::checked((array) $request->input('details', []))]]);

        return response()->json(['video' => Described::video($video)]);
    }

    public function destroy(Request $request, string $video): Response
    {
        $video = self::find($request, $video);
        File::deleteDirectory($video->folder());
        @unlink($video->file);
        $video->delete();

        return response()->noContent();
    }

    public function rendition(Request $request, string $video, int $lines): BinaryFileResponse
    {
        $rendition = self::find($request, $video)->renditions->firstWhere('lines', $lines);

        return $rendition?->file === null
            ? throw new Refusal(404, 'not-ready', "There is no rendition of {$lines} lines yet.")
            : response()->file($rendition->file, ['Content-Type' => 'video/mp4']);
    }

    public static function find(Request $request, string $id): Video
    {
        return Video::query()->where('account_id', Signed::account($request)->id)->find($id)
            ?? throw new Refusal(404, 'not-found', 'This account has no such video.');
    }
}
