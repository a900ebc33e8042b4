<?php

namespace App\Http\Controllers;

use App\Media\MediaFolders;
use App\Models\Cut;
use Illuminate\Http\JsonResponse;
use OuterCrate\Units\ByteCount;

class MediaController
{
    /** Files that can be brought in, newest first, and which of them are on the shelf already. */
    public function index(MediaFolders $folders): JsonResponse
    {
        $taken = Cut::query()->pluck('id', 'path');

        return response()->json([
            'folders' => config('crate.media_folders'),
            'files' => array_map(fn (array $file): array => [
                'path' => mb_scrub($file['path']),
                'name' => mb_scrub($file['name']),
                'bytes' => $file['bytes'],
                'bytesLabel' => (string) new ByteCount($file['bytes']),
                'modified' => gmdate('Y-m-d\TH:i:s\Z', $file['modified']),
                'video' => $file['video'],
                'cut' => $taken[$file['path']] ?? null,
            ], $folders->files()),
        ]);
    }
}
