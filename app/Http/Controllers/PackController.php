<?php

namespace App\Http\Controllers;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Models\Cut;
use App\Models\Run;
use App\Models\ShownRuns;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\HashLists;
use App\Packing\Packer;
use App\Packing\SheetPacker;
use App\Packing\SheetsPacker;
use App\Packing\WriteHashList;
use App\Resources\CutResource;
use App\Resources\RunResource;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Collection;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Slips\SlipText;

class PackController
{
    /** Largest hash list work done while the page waits, in bytes to read: half a second. */
    private const MAX_HASHED_AT_ONCE = 256_000_000;

    /**
     * Queues the outputs that are named, or every output of the cut's sheet. What lies there unchanged, or is under way, is made again
     * only with `?again=1`; `?only=KEY` makes one column of the sheet.
     */
    #[Operation('pack-answer', request: 'pack-request', status: 202, query: ['again', 'only'], isBodyRequired: false)]
    public function store(Request $request, Cut $cut, CutDesk $desk, Packer $packer, SheetPacker $sheet): JsonResponse
    {
        $again = $request->boolean('again');
        if ($request->getContent() === '') {
            $only = $request->query('only');
            $only === null || in_array($only, array_column($cut->outputs, 'key'), true) ?: throw RequestRefused::notThere(
                'There is no such column on the sheet.', 'Look at the sheet again.',
            );
            $runs = $sheet->pack($cut, $again, $only);
        } else {
            $outputs = Payload::of($request, 'pack-request')['outputs'];
            $reading = $cut->reading();
            $columns = $desk->columns($cut, $reading, $outputs, $cut->range($reading));
            $runs = $packer->pack($cut, $columns, Surroundings::deliveries($cut->name), $again);
        }

        return response()->json(['pack' => $runs[0]->pack, 'runs' => self::shown($runs)], 202);
    }

    /** Queues what is decided on several sheets, and says which could not be. */
    #[Operation('packs-answer', request: 'packs-request', status: 202)]
    public function several(Request $request, SheetsPacker $packer): JsonResponse
    {
        $cuts = Cut::query()->whereKey(Payload::of($request, 'packs-request')['cuts'])->orderBy('id')->get();
        ['runs' => $runs, 'refused' => $refused] = $packer->pack($cuts);

        return response()->json(['runs' => self::shown($runs), 'refused' => $refused], 202);
    }

    /** The slips of what was packed together. */
    #[Operation('pack')]
    public function show(string $pack): JsonResponse
    {
        $runs = self::runsOf($pack);
        $cut = Cut::query()->find($runs[0]->cut_id);

        return response()->json([
            'pack' => $pack,
            'cutName' => $runs[0]->cut_name,
            'cut' => $cut === null ? null : CutResource::of($cut),
            'runs' => $runs->map(RunResource::whole(...)),
        ]);
    }

    /** The same as plain text. */
    #[Operation(media: 'text/plain')]
    public function text(string $pack, Cells $cells): Response
    {
        $runs = self::runsOf($pack);
        $labels = array_map(fn (Cell $cell): string => $cell->label(), $cells->all());
        $text = SlipText::of($runs[0]->cut_name, $labels, $runs->map(RunResource::whole(...))->all());

        return response($text, 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="slips.txt"',
        ]);
    }

    /** Writes an ASC MHL list beside the finished files. */
    /** Writes small lists at once; a worker writes large ones. */
    #[Operation('hash-list-answer', status: 201, otherStatus: 202)]
    public function hashList(string $pack, HashLists $lists, WriteHashList $kind, WorkQueue $queue): JsonResponse
    {
        $runs = self::runsOf($pack);
        if (HashLists::bytesToRead($runs) > self::MAX_HASHED_AT_ONCE) {
            $queue->put($kind, $runs[0]->id);

            return response()->json(self::hashListOf($runs), 202);
        }
        $path = mb_scrub($lists->write($runs));

        return response()->json(['path' => $path, 'state' => WorkState::Done, 'percent' => 100, 'error' => null], 201);
    }

    /** Progress of a hash list that a worker is writing, or the path of the last one. */
    #[Operation('hash-list-answer')]
    public function hashListState(string $pack): JsonResponse
    {
        return response()->json(self::hashListOf(self::runsOf($pack)));
    }

    /**
     * @param  Models<int, Run>  $runs
     * @return array<string, mixed>
     */
    private static function hashListOf(Models $runs): array
    {
        $work = Work::query()->firstWhere(['kind' => WriteHashList::NAME, 'subject' => $runs[0]->id])
            ?? throw RequestRefused::notThere('No hash list of this delivery is being written.', 'Write one from its slips.');

        return [
            'path' => $work->detail['path'] ?? null, 'state' => $work->state, 'percent' => $work->percent, 'error' => $work->error,
        ];
    }

    /** @return Models<int, Run> */
    private static function runsOf(string $pack): Models
    {
        $runs = Run::query()->where('pack', $pack)->orderBy('id')->get();

        return $runs->isNotEmpty() ? $runs : throw RequestRefused::notThere('This is not here, or no longer.', 'Go back to the shelf.');
    }

    /**
     * @param  iterable<Run>  $runs
     * @return Collection<int, array<string, mixed>>
     */
    private static function shown(iterable $runs): Collection
    {
        return ShownRuns::these((new Collection($runs))->pluck('id')->all())->map(RunResource::of(...));
    }
}
