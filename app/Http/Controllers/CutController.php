<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Http\Resources\CutResource;
use App\Media\CutShelf;
use App\Media\MediaFolders;
use App\Models\Cut;
use App\Models\Run;
use App\Models\RunState;
use App\Packing\PackRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

class CutController
{
    public function index(): JsonResponse
    {
        $cuts = Cut::query()->select(['id', 'name', 'path', 'bytes', 'modified', 'card'])->orderByDesc('id')->get();

        return response()->json(['cuts' => $cuts->map(CutResource::of(...))]);
    }

    public function store(Request $request, MediaFolders $folders, CutShelf $shelf): JsonResponse
    {
        $path = Payload::of($request, 'cut-request')['path'];

        return response()->json(['cut' => CutResource::of($shelf->bringIn($folders->resolve($path)))], 201);
    }

    /** Takes the cut off the shelf. Its file and what was packed from it stay. */
    public function destroy(Cut $cut): Response
    {
        if (Run::query()->where('cut_id', $cut->id)->whereIn('state', RunState::underWay())->exists()) {
            throw new PackRefused("{$cut->name} has runs under way. Stop them or wait, then take it off the shelf.");
        }
        $cut->delete();

        return response()->noContent();
    }

    public function poster(Cut $cut, CutShelf $shelf): BinaryFileResponse
    {
        $path = $shelf->posterPath($cut);
        abort_unless(is_file($path), 404, 'There is no picture of this cut.');

        return response()->file($path, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
