<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Library\Hosts;
use App\Media\MediaFolders;
use App\Models\Teaching;
use App\Resources\LibraryResource;
use App\Resources\TeachingResource;
use App\Teaching\SaveTaught;
use App\Teaching\Teachings;
use App\Work\WorkQueue;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Hosts that are learnt from what they made. */
class TeachingController
{
    /** Teachings of a host that are listed. */
    private const SHOWN = 20;

    #[Operation('teaching-list')]
    public function index(string $host): JsonResponse
    {
        $teachings = Teaching::query()->where('host', $host)->orWhere('saved_as', $host)->with('work')->orderByDesc('id')
            ->limit(self::SHOWN)->get(['id', 'asked', 'saved_as', 'created_at']);

        return response()->json(['teachings' => $teachings->map(TeachingResource::line(...))]);
    }

    #[Operation('teaching-answer', request: 'teaching-request', status: 202)]
    public function store(Request $request, string $host, Hosts $hosts, MediaFolders $folders, Teachings $teachings): JsonResponse
    {
        $lessons = array_map(
            fn (array $paths): array => array_map($folders->resolve(...), $paths),
            Payload::of($request, 'teaching-request')['lessons'],
        );

        return response()->json(['teaching' => TeachingResource::of($teachings->ask($hosts->need($host), $lessons))], 202);
    }

    #[Operation('teaching-answer')]
    public function show(Teaching $teaching): JsonResponse
    {
        return response()->json(['teaching' => TeachingResource::of($teaching)]);
    }

    #[Operation('teaching-answer')]
    public function stop(Teaching $teaching, WorkQueue $queue): JsonResponse
    {
        $queue->stop($teaching->work);

        return response()->json(['teaching' => TeachingResource::of($teaching->refresh())]);
    }

    /** Makes what was learnt a version of the host. */
    #[Operation('library-item')]
    public function save(Teaching $teaching, SaveTaught $save, LibraryResource $resource): JsonResponse
    {
        return response()->json($resource->whole($save->save($teaching)));
    }
}
