<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Library\Entry;
use App\Library\Hosts;
use App\Library\ItemFile;
use App\Library\Kind;
use App\Library\Ranking;
use App\Resources\HostResource;
use App\Resources\LibraryResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Hosts\Tables\HostRows;
use OuterCrate\Hosts\Tables\PastedTable;

class HostController
{
    public function __construct(private readonly Hosts $hosts)
    {
    }

    #[Operation('host-list')]
    public function index(Ranking $ranking): JsonResponse
    {
        $favourites = $ranking->favourites(Kind::Host);

        return response()->json([
            'hosts' => array_map(
                fn (Entry $entry): array => HostResource::card($entry, in_array($entry->slug, $favourites, true)),
                $ranking->order(Kind::Host, $this->hosts->entries()),
            ),
            'broken' => $this->hosts->brokenInWords(),
            'removed' => $this->hosts->removed(),
        ]);
    }

    /** A new host: from nothing, from a copy, or from a file. */
    #[Operation('library-item', request: 'host-request', status: 201)]
    public function store(Request $request, LibraryResource $resource): JsonResponse
    {
        $payload = Payload::of($request, 'host-request');
        $from = isset($payload['copyOf']) ? $this->hosts->copyOf($payload['copyOf']) : ItemFile::blank(Kind::Host);
        $entry = $this->hosts->create($this->file($request, $from, $payload), $payload['note'] ?? '');

        return response()->json($resource->whole($entry), 201);
    }

    #[Operation('library-item', request: 'host-request')]
    public function update(Request $request, string $host, LibraryResource $resource): JsonResponse
    {
        $payload = Payload::of($request, 'host-request');
        $file = $this->file($request, $this->hosts->entry($host)->file, $payload);

        return response()->json($resource->whole($this->hosts->save($host, $file, $payload['note'] ?? '', $payload['began'] ?? null)));
    }

    /** What is understood of a table that was copied from a help page. Nothing is saved. */
    #[Operation('table-answer', request: 'table-request')]
    public function read(Request $request): JsonResponse
    {
        ['figures' => $figures, 'remarks' => $remarks] = PastedTable::read(Payload::of($request, 'table-request')['text']);

        return response()->json([
            'figures' => array_map(fn ($figure): array => $figure->toArray(), $figures),
            'remarks' => array_map(
                fn (string $text, int $line): array => ['line' => $line, 'text' => $text],
                $remarks,
                array_keys($remarks),
            ),
            'rows' => HostRows::of($figures),
        ]);
    }

    /** @param  array<string, mixed>  $payload */
    private function file(Request $request, ItemFile $file, array $payload): ItemFile
    {
        if (isset($payload['file'])) {
            // Decoded as it was sent: an empty object stays one.
            $file = $this->hosts->read(json_decode($request->getContent(), false, 64)->file, 'The host');
        }

        return isset($payload['name']) ? $file->with(name: $payload['name']) : $file;
    }
}
