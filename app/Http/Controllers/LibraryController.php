<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Library\Export;
use App\Library\Import;
use App\Library\Incoming;
use App\Library\Kind;
use App\Library\Library;
use App\Library\Ranking;
use App\Resources\LibraryResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What presets and hosts have in common: versions, taking away and back, favourites, files. */
class LibraryController
{
    public function __construct(private readonly Library $library, private readonly LibraryResource $resource)
    {
    }

    #[Operation('library-item')]
    public function show(Kind $kind, string $slug): JsonResponse
    {
        return response()->json($this->resource->whole($this->library->of($kind)->entry($slug)));
    }

    /** In what two versions differ, row by row. */
    #[Operation('comparison')]
    public function compare(Kind $kind, string $slug, int $from, int $to): JsonResponse
    {
        return response()->json(['rows' => $this->resource->compared($kind, $slug, $from, $to)]);
    }

    #[Operation('library-item')]
    public function back(Kind $kind, string $slug, int $version): JsonResponse
    {
        return response()->json($this->resource->whole($this->library->of($kind)->goBack($slug, $version)));
    }

    #[Operation(status: 204)]
    public function destroy(Kind $kind, string $slug): Response
    {
        $this->library->of($kind)->remove($slug);

        return response()->noContent();
    }

    #[Operation('library-item')]
    public function restore(Kind $kind, string $slug): JsonResponse
    {
        return response()->json($this->resource->whole($this->library->of($kind)->restore($slug)));
    }

    #[Operation(request: 'favourite-request', status: 204)]
    public function favourite(Request $request, Kind $kind, string $slug, Ranking $ranking): Response
    {
        $ranking->mark($kind, $this->library->of($kind)->entry($slug)->slug, Payload::of($request, 'favourite-request')['favourite']);

        return response()->noContent();
    }

    #[Operation(query: ['presets', 'hosts'], media: 'application/json')]
    public function export(Request $request, Export $export): Response
    {
        $slugs = fn (Kind $kind): array => array_values(array_filter(explode(',', (string) $request->query($kind->plural(), ''))));
        [$presets, $hosts] = [$slugs(Kind::Preset), $slugs(Kind::Host)];

        return response($export->text($presets, $hosts), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="'.$export->name($presets, $hosts).'"',
        ]);
    }

    /** What is in a file, against what is there; taken only with `ways`. */
    #[Operation('import-answer', request: 'import-request')]
    public function import(Request $request, Import $import): JsonResponse
    {
        $payload = Payload::of($request, 'import-request');
        $incoming = $import->preview($payload['text'], $payload['name']);
        $taken = array_key_exists('ways', $payload) ? $import->take($incoming, $payload['ways'], $payload['name']) : null;

        return response()->json([
            'items' => array_map(fn (Incoming $item): array => [
                'kind' => $item->file->kind->value,
                'name' => $item->file->name(),
                'state' => $item->state,
                'there' => $item->there === null ? null : [
                    'slug' => $item->there->slug,
                    'name' => $item->there->name(),
                    'shipped' => $item->there->shipped,
                ],
                'differences' => $item->state === 'conflict' && $item->there !== null
                    ? $this->resource->differences($item->there->file, $item->file)
                    : [],
                'unknown' => $item->file->unknown(),
            ], $incoming),
            'taken' => $taken === null ? null : array_map(fn ($entry): array => [
                'kind' => $entry->kind->value, 'slug' => $entry->slug, 'name' => $entry->name(), 'version' => $entry->version,
            ], $taken['taken']),
        ]);
    }
}
