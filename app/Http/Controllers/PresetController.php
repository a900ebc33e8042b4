<?php

namespace App\Http\Controllers;

use App\Desk\ColumnRules;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Library\Entry;
use App\Library\ItemFile;
use App\Library\Kind;
use App\Library\Presets;
use App\Library\Ranking;
use App\Models\Cut;
use App\Models\TransitTest;
use App\Resources\LibraryResource;
use App\Resources\PresetResource;
use App\Transit\TransitTests;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Presets\Rules;

class PresetController
{
    public function __construct(private readonly Presets $presets, private readonly TransitTests $tests)
    {
    }

    /** Every preset, as they are reached for: what is marked and used first. */
    #[Operation('preset-list')]
    public function index(Ranking $ranking, PresetResource $resource): JsonResponse
    {
        $entries = $this->presets->entries();
        $ordered = $ranking->order(Kind::Preset, $entries);
        $key = fn (int $i): ?int => $i < Ranking::KEYS ? $i + 1 : null;

        return response()->json([
            'presets' => array_map(fn (Entry $entry, int $i): array => $resource->card($entry, $key($i)), $ordered, array_keys($ordered)),
            'broken' => $this->presets->brokenInWords($entries),
            'removed' => $this->presets->removed(),
            'defaults' => (object) $ranking->defaults(),
        ]);
    }

    /** Cell by cell what a preset made of a column would say. */
    #[Operation('saving-preview')]
    public function preview(Cut $cut, string $output, ColumnRules $columns): JsonResponse
    {
        $plan = $columns->plan($cut, $output);
        $preset = $plan->spec->preset;
        $over = $this->presets->own($preset->slug);

        return response()->json([
            'preset' => $preset->slug,
            'name' => $preset->name,
            'about' => $preset->about,
            'role' => $preset->role->value,
            'host' => $plan->spec->host?->slug,
            'tags' => $preset->tags,
            'version' => $over?->version,
            'rows' => $columns->preview($plan),
        ]);
    }

    #[Operation('library-item', request: 'preset-request', status: 201)]
    public function store(Request $request, LibraryResource $resource, ColumnRules $columns): JsonResponse
    {
        $payload = Payload::of($request, 'preset-request');
        $from = isset($payload['copyOf']) ? $this->presets->copyOf($payload['copyOf']) : ItemFile::blank(Kind::Preset);
        $entry = $this->presets->create($this->file($from, $payload, $columns), $payload['note'] ?? '');

        return response()->json($resource->whole($entry), 201);
    }

    #[Operation('library-item', request: 'preset-request')]
    public function update(Request $request, string $preset, LibraryResource $resource, ColumnRules $columns): JsonResponse
    {
        $payload = Payload::of($request, 'preset-request');
        $file = $this->file($this->presets->entry($preset)->file, $payload, $columns);

        return response()->json($resource->whole($this->presets->save($preset, $file, $payload['note'] ?? '', $payload['began'] ?? null)));
    }

    /** What a role, or a role and a host, begins with. */
    #[Operation('default-answer', request: 'default-request')]
    public function default(Request $request, Ranking $ranking): JsonResponse
    {
        $payload = Payload::of($request, 'default-request');
        $slug = $payload['preset'];
        $ranking->setDefault($payload['for'], $slug === null ? null : $this->presets->entry($slug)->slug);

        return response()->json(['defaults' => (object) $ranking->defaults()]);
    }

    /** @param  array<string, mixed>  $payload */
    private function file(ItemFile $file, array $payload, ColumnRules $columns): ItemFile
    {
        $said = array_intersect_key($payload, array_flip(['name', 'about', 'role', 'host', 'tags']));
        if (isset($payload['from'])) {
            $plan = $columns->plan(Cut::query()->findOrFail($payload['from']['cut']), $payload['from']['output']);
        } elseif (isset($payload['fromTest'])) {
            $test = TransitTest::query()->findOrFail($payload['fromTest']['test']);
            $plan = $this->tests->planOf($test, $payload['fromTest']['candidate']);
        }
        if (isset($plan)) {
            $rules = $columns->rules($plan, $payload['from']['fixed'] ?? []);
            $said += ['role' => $plan->spec->preset->role->value, 'host' => $plan->spec->host?->slug];
            $said += ['device' => $plan->spec->preset->device?->slug, 'rules' => self::asObjects($rules)];
        } elseif (! isset($file->content->rules)) {
            $said += ['rules' => (object) []];
        }

        return $file->with(...$said);
    }

    /** Rules as objects: one that says nothing is `{}`, not a list. */
    private static function asObjects(Rules $rules): object
    {
        return (object) array_map(fn (mixed $rule): mixed => $rule === [] ? (object) [] : $rule, $rules->rules);
    }
}
