<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Models\WatchFolder;
use App\Resources\WatchFoldersResource;
use App\Watching\WatchFolders;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

class WatchFolderController
{
    public function __construct(private readonly WatchFolders $folders)
    {
    }

    #[Operation('watch-folders')]
    public function index(): JsonResponse
    {
        return response()->json(WatchFoldersResource::of($this->folders->all()));
    }

    #[Operation('watch-folders', request: 'watch-folder-request')]
    public function store(Request $request): JsonResponse
    {
        $asked = Payload::of($request, 'watch-folder-request');
        $this->folders->add($asked['path'], $asked['outputs']);

        return $this->index();
    }

    #[Operation('watch-folders')]
    public function destroy(WatchFolder $folder): JsonResponse
    {
        $this->folders->remove($folder);

        return $this->index();
    }
}
