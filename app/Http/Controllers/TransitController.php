<?php

namespace App\Http\Controllers;

use App\Desk\CutDesk;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Library\Hosts;
use App\Models\Cut;
use App\Models\TransitTest;
use App\Resources\TransitResource;
use App\Transit\Judged;
use App\Transit\ResultCsv;
use App\Transit\ThreeRoutes;
use App\Transit\TransitTests;
use App\Work\WorkQueue;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;
use OuterCrate\Desk\Column;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Grid;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Transit tests of a cut. */
class TransitController
{
    /** Tests of a cut that are listed. */
    private const SHOWN = 50;

    public function __construct(private readonly ThreeRoutes $routes)
    {
    }

    #[Operation('transit-test-list')]
    public function index(Cut $cut): JsonResponse
    {
        $tests = TransitTest::query()->where('cut_id', $cut->id)->with('work')->orderByDesc('id')->limit(self::SHOWN)
            ->get(['id', 'card', 'created_at']);

        return response()->json(['tests' => $tests->map(TransitResource::line(...))]);
    }

    #[Operation('transit-test-answer', request: 'transit-request', status: 202)]
    public function store(Request $request, Cut $cut, CutDesk $desk, Hosts $hosts, TransitTests $tests): JsonResponse
    {
        $asked = Payload::of($request, 'transit-request');
        $host = $hosts->need($asked['host']);
        [$columns, $names, $masters] = $this->columns($cut, $desk, $asked) + [2 => []];
        $whole = FrameRange::whole(max(1, $cut->reading()->length()));
        $test = $tests->ask(
            $cut,
            $host,
            $columns,
            $asked['screens'] ?? [],
            $asked['pieces'] ?? ChoosePieces::USUAL,
            array_map(
                fn (array $piece): FrameRange => $whole->clamp($piece['first'], $piece['last']),
                $asked['chosen'] ?? [],
            ),
            self::weights($asked['weights'] ?? []),
            $names,
            $cut->outputs[$asked['grid']['output'] ?? $asked['routes']['output'] ?? -1]['key'] ?? null,
            $masters,
        );

        return response()->json(['test' => TransitResource::of($test)], 202);
    }

    #[Operation('transit-test-answer')]
    public function show(Request $request, TransitTest $test): JsonResponse
    {
        return response()->json(['test' => self::judged($request, $test)]);
    }

    #[Operation('transit-latest-answer', query: ['size', 'making', 'sending', 'quality'])]
    public function latest(Request $request, Cut $cut): JsonResponse
    {
        $test = TransitTest::query()->where('cut_id', $cut->id)->latest('id')->first();

        return response()->json(['test' => $test === null ? null : self::judged($request, $test)]);
    }

    /** @return array<string, mixed> by what counts for who asks */
    private static function judged(Request $request, TransitTest $test): array
    {
        $told = TransitResource::of($test);
        $weights = array_map(floatval(...), $request->only(['size', 'making', 'sending', 'quality']));
        if ($told['result'] !== null && $weights !== []) {
            $told['result'] = Judged::with($told['result'], self::weights($weights));
        }

        return $told;
    }

    #[Operation('transit-test-answer')]
    public function stop(TransitTest $test, WorkQueue $queue): JsonResponse
    {
        $queue->stop($test->work);

        return response()->json(['test' => TransitResource::of($test->refresh())]);
    }

    #[Operation(media: 'text/csv')]
    public function csv(TransitTest $test): Response
    {
        $result = self::resultOf($test);

        return response(ResultCsv::of($result), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"transit-test-{$test->id}.csv\"",
        ]);
    }

    #[Operation('transit')]
    public function json(TransitTest $test): JsonResponse
    {
        return response()->json(self::resultOf($test), 200, [
            'Content-Disposition' => "attachment; filename=\"transit-test-{$test->id}.json\"",
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @return array<string, mixed> */
    private static function resultOf(TransitTest $test): array
    {
        return $test->result ?? throw RequestRefused::notThere('This test has no result yet.', 'Wait until it is done.');
    }

    /**
     * Candidates: those that are named, those around an output of the sheet, or the uploads of the sheet.
     *
     * @param  array<string, mixed>  $asked
     * @return array{0: list<Column>, 1: list<string>, 2?: array<int, Column>} with names of their own where they have some, and the
     *     masters that are made first
     */
    private function columns(Cut $cut, CutDesk $desk, array $asked): array
    {
        $reading = $cut->reading();
        $range = $cut->range($reading);
        $to = fn (array $output): array => ['host' => $asked['host']] + $output;
        if (isset($asked['outputs'])) {
            return [$desk->columns($cut, $reading, array_map($to, $asked['outputs']), $range), []];
        }
        if (isset($asked['routes'])) {
            $base = $cut->outputs[$asked['routes']['output']] ?? throw self::noOutput();

            return $this->routes->of($cut, $to($base), $asked['routes']['master'] ?? null);
        }
        $sheet = $desk->sheet($cut, $reading);
        if (! isset($asked['grid'])) {
            return [array_values(array_filter(
                $sheet,
                fn (Column $column): bool => $column->plan->spec->host?->slug === $asked['host'],
            )), []];
        }
        $grid = $asked['grid'];
        $column = $sheet[$grid['output']] ?? throw self::noOutput();
        $around = (new Grid(
            array_map(floatval(...), ($grid['times'] ?? []) ?: [1]),
            ($grid['steps'] ?? []) ?: [0],
            $grid['passes'] ?? [],
            $grid['codecs'] ?? [],
            array_map(floatval(...), $grid['keyframes'] ?? []),
            $grid['depths'] ?? [],
            array_map(floatval(...), $grid['lifts'] ?? []),
        ))->around($column->plan);
        if ($around === []) {
            throw RequestRefused::notPossible(
                "{$column->plan->spec->preset->name} has no average to go up and down from.",
                'Choose an output with VBR or CBR.',
            );
        }
        $base = $cut->outputs[$grid['output']];
        $outputs = array_map(fn (array $one): array => $to(['edits' => $one['edits']] + $base), $around);

        return [$desk->columns($cut, $reading, $outputs, $range), array_column($around, 'name')];
    }

    private static function noOutput(): RequestRefused
    {
        return RequestRefused::notPossible('The sheet has no such output.', 'Choose one of its outputs.');
    }

    /** @param  array<string, float>  $weights */
    private static function weights(array $weights): Weights
    {
        try {
            return new Weights(...array_intersect_key($weights, ['size' => 0, 'making' => 0, 'sending' => 0, 'quality' => 0]));
        } catch (InvalidArgumentException $e) {
            // It says itself what to do.
            throw RequestRefused::notPossible($e->getMessage(), '');
        }
    }
}
