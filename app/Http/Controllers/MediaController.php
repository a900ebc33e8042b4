<?php

namespace App\Http\Controllers;

use App\Media\MediaFolders;
use App\Models\Cut;
use App\Resources\MediaFileResource;
use Illuminate\Http\JsonResponse;

class MediaController
{
    /** Files that can be brought in, newest first, and which of them are on the shelf already. */
    public function index(MediaFolders $folders): JsonResponse
    {
        $taken = Cut::query()->pluck('id', 'path');

        return response()->json([
            'folders' => config('crate.media_folders'),
            'files' => array_map(fn (array $file): array => MediaFileResource::of($file, $taken[$file['path']] ?? null), $folders->files()),
        ]);
    }
}
