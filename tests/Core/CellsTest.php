<?php

use Opis\JsonSchema\Validator;
use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Schemas;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Slips\Comparison;
use Tests\Support\Desk;
use Tests\Support\MadeUp\SmellCell;
use Tests\Support\Probes;

beforeEach(function (): void {
    $this->cells = new Cells([...Cells::shipped(), new SmellCell()]);
    $this->reading = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));
    $this->column = fn (array $edits = [], string $output = 'lanternwick-even@lanternwick') => Desk::column(
        $this->reading,
        $output,
        $edits,
        cells: $this->cells,
    );
});

it('decides a cell it was never told of, with its origin, what the host asks, and what can be changed', function () {
    $column = ($this->column)();
    $shown = $column->toArray();
    expect($shown['values']['smell'])
        ->toBe(['label' => 'smell 3', 'strength' => 3.0])
        ->and($shown['origins']['smell'])
        ->toBe(['from' => 'rule', 'text' => 'by its frame rate'])
        ->and((array) $shown['asks'])
        ->toHaveKey('smell', 'no smoke')
        ->and($shown['fixed'])
        ->not->toContain('smell')
        ->and(array_keys($shown['values']))
        ->toBe(array_keys($this->cells->all()));
});

it('takes what a person changes in it, and refuses what lies beyond its bounds with the way back', function () {
    expect(($this->column)(['smell' => ['strength' => 7]])->plan->values['smell']->strength)
        ->toBe(7.0)
        ->and(($this->column)(['smell' => ['strength' => 7]])->plan->origins['smell']->source->value)
        ->toBe('you');
    $column = ($this->column)(['smell' => ['strength' => 70]]);
    expect($column->findings[0]->text)
        ->toBe('A smell has a strength of 0 to 10, not of 70.')
        ->and($column->findings[0]->remedy->patch)
        ->toBe(['smell' => null])
        ->and($column->plan->values['smell']->strength)
        ->toBe(3.0);
});

it('merges its rules by its own ways', function () {
    $merged = $this->cells->merge(new Rules(['smell' => ['strength' => 4]]), new Rules(['smell' => ['as' => 'host']]));
    expect($merged->rules['smell'])->toBe(['as' => 'host']);
});

it('is not there in a file of audio alone', function () {
    expect(($this->column)([], 'sound-wav')->toArray()['values']['smell']['label'])
        ->toBe('–')
        ->and(($this->column)([], 'sound-wav')->toArray()['fixed'])
        ->toContain('smell');
});

it('holds a finished file against it, and says what the file has', function () {
    $frozen = json_decode(json_encode(($this->column)()->toArray()), true);
    $made = new Made($this->reading, new PacketTally(0), 'x.mp4', 50);
    $comparison = new Comparison($this->cells);
    expect(
        array_column(
            array_map(fn ($difference): array => $difference->toArray(), $comparison->differences($frozen, $made)),
            'planned',
            'cell',
        ),
    )
        ->toHaveKey('smell', 'smell 3')
        ->and($comparison->found($frozen, $made))
        ->toHaveKey('smell', 'smoke');
});

it('is in the contract: rules, edits, values and words', function () {
    $documents = (new Schemas($this->cells))->documents();
    $validator = new Validator();
    foreach ($documents as $document) {
        $validator->resolver()->registerRaw(json_encode($document));
    }
    $valid = fn (string $schema, array $data): bool => $validator
        ->validate(json_decode(json_encode((object) $data)), Schemas::ADDRESS.$schema)
        ->isValid();
    expect($valid('edits.json', ['smell' => ['strength' => 2]]))
        ->toBeTrue()
        ->and($valid('edits.json', ['smell' => null]))
        ->toBeTrue()
        ->and($valid('edits.json', ['smell' => ['colour' => 'red']]))
        ->toBeFalse()
        ->and($valid('values.json', ($this->column)()->toArray()['values']))
        ->toBeTrue()
        ->and($valid('words.json', array_fill_keys(array_keys($this->cells->all()), 'x')))
        ->toBeTrue();
});

it('says each bound once: what an editor offers, what a schema tells, what a plan refuses', function () {
    $schemas = (new Schemas(new Cells()))->documents()['rules']['properties'];
    foreach ((new Cells())->all() as $name => $cell) {
        foreach ($cell->parts(true) as $part) {
            ['kind' => $kind, 'key' => $key, 'least' => $least, 'most' => $most] = $part->toArray();
            if ($kind !== 'number') {
                continue;
            }
            $bounds = (string) new Bounds($least, $most);
            expect(json_encode($schemas[$name], JSON_UNESCAPED_UNICODE))->toContain("From {$bounds}.");
            foreach ([$least - 1, $most + 1] as $beyond) {
                $column = Desk::column(Desk::reading(Probes::mezzanine()), 'review-720', [
                    $name => [$key => $beyond] + ($key === 'truePeak' ? ['loudness' => -20] : []),
                ]);
                expect(Desk::findings($column))->toContain('impossible-value')->and($column->findings[0]->text)->toContain($bounds);
            }
        }
    }
});

it('writes its schemas down as they are made', function () {
    foreach ((new Schemas(new Cells()))->documents() as $name => $document) {
        $written = json_decode(file_get_contents(dirname(__DIR__, 2)."/resources/schema/{$name}.json"), true);
        expect($written)->toEqual(json_decode(json_encode($document), true), "php artisan crate:schema ({$name})");
    }
});

it('has no two cells that wait for each other', function () {
    foreach (Desk::presets() as $preset) {
        expect(Desk::column($this->reading, $preset)->plan->values)->toHaveCount(9);
    }
});

it('explains each row in sixty words, with the numbers of the plan', function (string $output) {
    $column = Desk::column(Desk::reading(Probes::plain()), $output);
    foreach ((new Cells)->all() as $name => $cell) {
        expect($cell)->toBeInstanceOf(Explains::class);
        $help = $cell->help($column->plan, $column->size->bytes);
        $words = preg_split('~\s+~u', "{$help->what} {$help->here} {$help->wrong}");
        expect(count($words))->toBeLessThanOrEqual(60, $name)
            ->and($name === 'container' || $name === 'file' || preg_match('~\d~', $help->here) === 1 || $help->here === 'No sound')
            ->toBeTrue("{$name} says no number of this plan: {$help->here}");
    }
})->with(['lanternwick-generous@lanternwick', 'archive-10-bit', 'review-720', 'frames-png']);
