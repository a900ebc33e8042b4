<?php

namespace App\Http\Controllers;

use App\Analysis\CutAnalyses;
use App\Desk\CutDesk;
use App\Desk\Keeper;
use App\Desk\Sheets;
use App\Http\Api\Operation;
use App\Http\InvalidPayload;
use App\Http\Payload;
use App\Models\Cut;
use App\Packing\SheetPacker;
use App\Resources\CutResource;
use App\Resources\RangeResource;
use App\Sampling\Samples;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Analysis\Notice;
use OuterCrate\Analysis\Notices;
use OuterCrate\Analysis\Severity;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Recap;
use OuterCrate\Reading\Reading;

class SheetController
{
    public function __construct(private readonly CutDesk $desk, private readonly Samples $samples)
    {
    }

    /** Reads only: opening a sheet must not change the queue. */
    #[Operation('sheet')]
    public function show(Cut $cut): JsonResponse
    {
        return $this->sheet($cut, $cut->reading(), wants: false);
    }

    /** Called by a page that shows the sheet: moves the cut's analysis to the front and requests samples for its estimates. */
    #[Operation('sheet')]
    public function want(Cut $cut, CutAnalyses $analyses): JsonResponse
    {
        $analyses->want($cut);

        return $this->sheet($cut, $cut->reading());
    }

    /**
     * Saves range and columns and answers with their plans. Nothing is saved that cannot be planned. With `?pack=1` it is packed then, for
     * a page that is left at once; `&again=1` as where it is packed by itself.
     */
    #[Operation('sheet', request: 'sheet-request', query: ['pack', 'again'])]
    public function update(Request $request, Cut $cut, Sheets $sheets, Keeper $keeper, SheetPacker $packer): JsonResponse
    {
        $payload = Payload::of($request, 'sheet-request');
        $reading = $cut->reading();
        $this->refuseImpossible($payload['range'] ?? null, '/range', $reading);
        foreach ($payload['outputs'] as $i => $output) {
            $this->refuseImpossible($output['range'] ?? null, "/outputs/{$i}/range", $reading);
        }
        $sheet = [
            'range' => $payload['range'] ?? null,
            'outputs' => array_map(
                fn (array $output): array => $keeper->keep($cut, [
                    'key' => $output['key'],
                    'preset' => $output['preset'],
                    'host' => $output['host'],
                    'edits' => array_filter($output['edits'], fn (mixed $rule): bool => $rule !== null),
                    'range' => $output['range'] ?? null,
                ], $output),
                $payload['outputs'],
            ),
        ];

        $saved = $sheets->save(
            $cut,
            $sheet,
            $payload['version'] ?? null,
            fn (Cut $cut, array $told): JsonResponse => $this->sheet($cut, $reading, $told),
        );
        $request->boolean('pack') && $packer->pack($cut, $request->boolean('again'));

        return $saved;
    }

    /** @param  array{first: int, last: int}|null  $range */
    private function refuseImpossible(?array $range, string $path, Reading $reading): void
    {
        $last = $reading->length() - 1;
        if ($range !== null && ($range['first'] > $range['last'] || $range['last'] > $last)) {
            throw new InvalidPayload([
                ['path' => $path, 'text' => "does not lie in the cut: frames run from 0 to {$last}, the first before the last"],
            ]);
        }
    }

    /** @param  list<string>  $told  what another window changed, too */
    private function sheet(Cut $cut, Reading $reading, array $told = [], bool $wants = true): JsonResponse
    {
        $range = $cut->range($reading);
        $columns = $this->desk->sheet($cut, $reading);
        $sampling = $wants
            ? $this->samples->want($cut, $reading, $columns)
            : $this->samples->underWay($cut, $reading, $columns);
        $notices = Notices::for($cut->analysis->result ?? [], $range);
        $outputs = array_map(
            fn (array $output, Column $column, bool $sampling): array => [
                'key' => $output['key'],
                'range' => RangeResource::of($column->plan->range, $reading) + ['own' => $column->plan->spec->ownRange],
                'plan' => $column->toArray($sampling),
            ],
            $cut->outputs,
            $columns,
            $sampling,
        );

        return response()->json([
            'cut' => CutResource::of($cut),
            'version' => $cut->sheet_version,
            'told' => $told,
            'range' => RangeResource::of($range, $reading) + ['set' => $cut->range !== null],
            'noticed' => array_map(fn (Notice $notice): array => $notice->toArray(), $notices),
            'outputs' => $outputs,
            'totals' => $this->desk->totals($columns)->toArray(),
            'recap' => Recap::of($columns, array_map(fn (Notice $notice): Severity => $notice->severity, $notices)),
            'stopped' => array_filter($columns, fn (Column $column): bool => $column->isStopped()) !== [],
        ]);
    }
}
