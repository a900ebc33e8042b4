<?php

namespace App\Http\Controllers;

use App\Configuration\FolderSettings;
use App\Http\Api\Operation;
use App\Media\MediaFolders;
use App\Models\Cut;
use App\Models\KeptName;
use App\Resources\MediaFileResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

class MediaController
{
    /** Files of an answer. */
    private const PAGE = 1_000;

    /** Files that can be brought in, newest first, and which of them are on the shelf already: a page of those that `search` finds. */
    #[Operation('media-list', query: ['search', 'offset'])]
    public function index(Request $request, MediaFolders $folders): JsonResponse
    {
        $found = $folders->files((string) $request->query('search', ''));
        $page = array_slice($found, max(0, $request->integer('offset')), self::PAGE);
        $taken = Cut::query()->whereIn('path', array_map(KeptName::of(...), array_column($page, 'path')))->get(['id', 'path'])
            ->pluck('id', 'path');

        return response()->json([
            'folders' => app(FolderSettings::class)->media,
            'files' => array_map(fn (array $file): array => MediaFileResource::of($file, $taken[$file['path']] ?? null), $page),
            'found' => count($found),
        ]);
    }
}
