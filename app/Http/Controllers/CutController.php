<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\PageCursor;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Media\MediaFolders;
use App\Media\Posters;
use App\Models\Cut;
use App\Models\Run;
use App\Packing\PackRefused;
use App\Resources\CutResource;
use App\Resources\MediaFileResource;
use App\Shelf\CutShelf;
use App\Shelf\SeparateReading;
use App\Shelf\ShelfList;
use App\Shelf\ShelfOrder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OuterCrate\Reading\Description;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

class CutController
{
    /** Cuts that were taken off, as many as anybody looks through. */
    private const MOST_OFF = 100;

    public function __construct(
        private readonly CutShelf $shelf,
        private readonly MediaFolders $folders,
        private readonly SeparateReading $reading,
    ) {
    }

    /** One page of the shelf, with the number of all cuts and of those found. */
    #[Operation('cut-list', query: ['search', 'sort', 'down', 'cursor'])]
    public function index(Request $request, ShelfList $shelf): JsonResponse
    {
        $search = (string) $request->query('search');
        $order = ShelfOrder::tryFrom((string) $request->query('sort'));
        $read = fn (): array => $shelf->page($search, $order, $request->boolean('down'), $request->query('cursor'));
        [$cuts, $cursor] = PageCursor::checked($read);
        $total = $shelf->count('');

        $off = Cut::onlyTrashed()
            ->select(['id', 'name', 'path', 'taken_off_at'])
            ->orderByDesc('taken_off_at')
            ->limit(self::MOST_OFF)
            ->get();

        return response()->json([
            'cuts' => $cuts->map(CutResource::of(...)),
            'total' => $total,
            'found' => $search === '' ? $total : $shelf->count($search),
            'cursor' => $cursor,
            'takenOff' => $off->map(fn (Cut $cut): array => [
                'id' => $cut->id,
                'name' => $cut->name,
                'file' => mb_scrub(basename($cut->path)),
                'at' => $cut->taken_off_at?->toIso8601ZuluString(),
            ]),
        ]);
    }

    /** Puts a cut that was taken off back on the shelf. */
    #[Operation('cut-answer')]
    public function takeBack(int $cut): JsonResponse
    {
        return response()->json(['cut' => CutResource::of($this->shelf->takeBack(Cut::onlyTrashed()->findOrFail($cut)))]);
    }

    #[Operation('cut-answer', request: 'cut-request', status: 201)]
    public function store(Request $request): JsonResponse
    {
        $path = Payload::of($request, 'cut-request')['path'];
        $cut = $this->reading->bringIn($this->folders->resolve($path));

        return response()->json(['cut' => CutResource::of($cut)], 201);
    }

    /** Takes the cut off the shelf. Its file and what was packed from it stay. */
    #[Operation(status: 204)]
    public function destroy(Cut $cut): Response
    {
        if (Run::underWay()->where('cut_id', $cut->id)->exists()) {
            throw new PackRefused("{$cut->name} has runs under way.", 'Stop them or wait, then take it off the shelf.');
        }
        $this->shelf->takeOff($cut);

        return response()->noContent();
    }

    /** Everything that was read of the cut, in words. */
    #[Operation('reading-in-words')]
    public function reading(Cut $cut): JsonResponse
    {
        return response()->json(['groups' => Description::of($cut->reading())]);
    }

    /** Files in the media folders that are the cut's, wherever they lie now. */
    #[Operation('place-list')]
    public function places(Cut $cut): JsonResponse
    {
        return response()->json(['files' => array_map(MediaFileResource::of(...), $this->folders->sameAs($cut))]);
    }

    /** Points the cut to the place where its file lies now. */
    #[Operation('cut-answer', request: 'cut-request')]
    public function locate(Request $request, Cut $cut): JsonResponse
    {
        $path = Payload::of($request, 'cut-request')['path'];

        return response()->json(['cut' => CutResource::of($this->shelf->pointTo($cut, $this->folders->resolve($path)))]);
    }

    /** Reads the cut's file again, after it changed. */
    #[Operation('cut-answer')]
    public function readAgain(Cut $cut): JsonResponse
    {
        return response()->json(['cut' => CutResource::of($this->reading->bringIn($cut->path))]);
    }

    #[Operation(media: 'image/jpeg')]
    public function poster(Cut $cut, Posters $posters): BinaryFileResponse
    {
        $path = $posters->path($cut);
        is_file($path) || throw RequestRefused::notThere('There is no picture of this cut.', 'Read it again, and one is drawn.');

        return response()->file($path, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
