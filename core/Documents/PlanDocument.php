<?php

declare(strict_types=1);

namespace OuterCrate\Documents;

use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Pieces\Piece;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Origin;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Refusal;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Units\Fraction;
use OutOfBoundsException;

/**
 * Stores a plan as JSON: its inputs and all decided values, in the same shape as in the API. The document contains no class names, so
 * renaming a class does not make it unreadable. A value missing from an older document is decided from the inputs.
 */
final readonly class PlanDocument
{
    public const VERSION = 1;

    private const FORMAT = 'outer-crate/plan';

    private const KIND = 'plan';

    public function __construct(
        private Catalogue $catalogue,
        private Cells $cells,
        private Planner $planner,
        private HostFile $hosts,
        private ProbeReader $readings,
    ) {
    }

    /**
     * @param  array{probe: array<mixed>, bytes: int, fastStart: ?bool}|null  $reading  what was read of the cut, as ProbeReader takes it;
     *     null if the caller of read() supplies the reading
     * @return array<string, mixed> to be kept as JSON
     */
    public function write(Plan $plan, ?array $reading = null): array
    {
        $spec = $plan->spec;

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'inputs' => [
                'preset' => $spec->preset->toArray(),
                'host' => $spec->host?->toArray(),
                'edits' => (object) $spec->edits->rules,
                'range' => $spec->range?->toArray(),
                'ownRange' => $spec->ownRange,
                'piece' => $spec->piece?->toArray(),
                'reading' => $reading,
            ],
            'rules' => (object) $plan->rules->rules,
            'values' => array_map(static fn (Value $value): array => $value->toArray(), $plan->values),
            'origins' => array_map(static fn (Origin $origin): array => $origin->toArray(), $plan->origins),
            'range' => $plan->range->toArray(),
            'frames' => $plan->frames,
            'duration' => (string) $plan->duration,
            'refused' => array_map(static fn (Refusal $refusal): array => $refusal->toArray(), $plan->refused),
        ];
    }

    /**
     * @param  array<mixed>  $document
     * @param  Reading|null  $reading  of the cut; the document’s own when null
     *
     * @throws UnreadableDocument
     */
    public function read(array $document, ?Reading $reading = null): StoredPlan
    {
        $fields = new Fields($document);
        $version = $fields->int('version');
        if ($fields->text('format') !== self::FORMAT || $version === null) {
            throw UnreadableDocument::isNone(self::KIND);
        }
        if ($version > self::VERSION) {
            throw UnreadableDocument::isNewer(self::KIND, $version);
        }
        try {
            return $this->stored($fields, $reading);
        } catch (InvalidArgumentException|OutOfBoundsException|Unreadable $e) {
            throw UnreadableDocument::because(self::KIND, $e);
        }
    }

    private function stored(Fields $document, ?Reading $reading): StoredPlan
    {
        $spec = $this->spec($document->within('inputs'));
        $values = $this->values($document->within('values'));
        $origins = [];
        foreach (array_keys($values) as $cell) {
            $origins[$cell] = Origin::fromArray($document->within('origins')->within($cell));
        }
        $missing = array_keys(array_diff_key($this->cells->all(), $values));
        if ($missing !== []) {
            $reading ??= $this->readings->stored($document->within('inputs')->within('reading'));
            $decided = $this->planner->plan(new Subject($reading), $spec, $values);
            $values = $decided->values;
            $origins += $decided->origins;
        }
        $inOrder = $from = [];
        foreach (array_keys($this->cells->all()) as $cell) {
            [$inOrder[$cell], $from[$cell]] = [$values[$cell], $origins[$cell]];
        }

        return new StoredPlan(new Plan(
            spec: $spec,
            values: $inOrder,
            origins: $from,
            ofPicture: array_keys(array_filter($this->cells->all(), static fn (Cell $cell): bool => $cell->isOfPicture())),
            rules: Rules::fromArray($document->within('rules')),
            range: $document->within('range')->asRange(),
            frames: $document->needInt('frames'),
            duration: Fraction::parse($document->needText('duration')),
            refused: array_map(Refusal::fromArray(...), $document->rows('refused')),
        ), $missing);
    }

    private function spec(Fields $inputs): OutputSpec
    {
        return new OutputSpec(
            preset: Preset::fromArray($inputs->within('preset')),
            host: $inputs->has('host') ? $this->hosts->stored($inputs->within('host')) : null,
            edits: Rules::fromArray($inputs->within('edits')),
            range: $inputs->has('range') ? $inputs->within('range')->asRange() : null,
            ownRange: $inputs->bool('ownRange') ?? false,
            piece: $inputs->has('piece') ? Piece::fromArray($inputs->within('piece')) : null,
        );
    }

    /** @return array<string, Value> by cell, without those that the document lacks, or lacks a part of */
    private function values(Fields $stored): array
    {
        $values = [];
        foreach ($this->cells->all() as $name => $cell) {
            try {
                $stored->has($name) && $values[$name] = $cell->stored($stored->within($name), $this->catalogue);
            } catch (MissingPart) {
                continue;
            }
        }

        return $values;
    }
}
