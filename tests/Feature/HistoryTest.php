<?php

use App\Models\Delivery;
use App\Shelf\CutShelf;
use Illuminate\Support\Facades\DB;

beforeEach(function (): void {
    $this->deliveries = fn (string $query = ''): array => $this->answer($this->getJson("/api/deliveries{$query}"), 'delivery-list');
    $this->files = fn (string $query = ''): array => array_column(($this->deliveries)($query)['deliveries'], 'file');
});

it('lists each file that was made, whatever became of its run and of the file', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip('plain', 'Night firing.mp4'), null, false);
    $review = $this->made($cut, ['preset' => 'review-720']);
    $sound = $this->made($cut, ['preset' => 'sound-wav']);
    expect(($this->deliveries)())->toMatchArray(['before' => null])
        ->and(($this->deliveries)()['deliveries'][1])->toMatchArray([
            'run' => $review->id, 'pack' => $review->pack, 'cut' => $cut->id, 'cutName' => 'Night firing', 'role' => 'review',
            'file' => basename($review->file), 'preset' => 'review-720', 'host' => null, 'bytes' => filesize($review->file),
            'differences' => count($review->slip['differences']), 'onDisk' => true,
        ]);
    $this->postJson('/api/runs/clear', ['runs' => [$review->id, $sound->id], 'cleared' => true])->assertOk();
    unlink($review->file);
    $cut->delete();
    expect(array_column(($this->deliveries)()['deliveries'], 'onDisk', 'file'))
        ->toBe([basename($sound->file) => true, basename($review->file) => false]);
    // One that fails is none.
    $cut->restore();
    $fails = $this->queued($cut, [['preset' => 'light-lossless']])[0];
    config(['crate.engine.encoder' => '/bin/false']);
    $this->make($fails);
    expect(Delivery::query()->count())->toBe(2);
});

it('finds files by their names, by cut, preset, host and day, and in pages', function () {
    $rows = [];
    foreach (range(1, 120) as $i) {
        [$host, $name] = [[null, null], ['lanternwick', 'Lanternwick'], ['platen', 'Platen']][$i % 3];
        $file = "Firing_{$i} 100%.mp4";
        $rows[] = [
            'run_id' => $i, 'pack' => 'p', 'cut_id' => $i % 10, 'cut_name' => 'Ofen Ü', 'file' => $file, 'role' => 'upload', 'bytes' => 9,
            'preset' => $i % 2 === 0 ? 'even' : 'odd', 'preset_name' => $i % 2 === 0 ? 'Even' : 'Odd', 'host' => $host,
            'host_name' => $name, 'differences' => 0, 'search' => mb_strtolower("{$file} Ofen Ü {$name}"),
            'made_at' => $i <= 60 ? '2026-11-30 22:30:00.000' : '2026-11-30 23:30:00.000',
        ];
    }
    DB::table('deliveries')->insert($rows);
    $first = ($this->deliveries)();
    $second = ($this->deliveries)("?before={$first['before']}");
    $third = ($this->deliveries)("?before={$second['before']}");
    $all = array_merge(...array_map(fn (array $page): array => array_column($page['deliveries'], 'run'), [$first, $second, $third]));
    expect($all)->toBe(range(120, 1, -1))->and($third['before'])->toBeNull();
    config(['crate.dispatch.zone' => 'Europe/Zurich']);
    expect(($this->files)('?search=firing_77+100%25+%C3%BC'))->toBe(['Firing_77 100%.mp4'])
        ->and(($this->files)('?search=OFEN+platen+_110'))->toBe(['Firing_110 100%.mp4'])
        ->and(($this->files)('?search=nothing'))->toBe([])
        ->and(($this->files)('?cut=7'))->toHaveCount(12)
        ->and(($this->files)('?preset=odd&host=platen'))->toHaveCount(20)
        ->and(($this->files)('?host=&cut=3'))->toHaveCount(4)
        // Half past eleven in Greenwich is the next day there.
        ->and(($this->deliveries)('?from=2026-12-01&search=firing_6')['deliveries'])->toHaveCount(9)
        ->and(($this->deliveries)('?until=2026-11-30&search=firing_6')['deliveries'])->toHaveCount(2)
        ->and($this->answer($this->getJson('/api/deliveries/choices'), 'delivery-choices'))->toBe([
            'isAnyMade' => true,
            'presets' => [['slug' => 'even', 'name' => 'Even'], ['slug' => 'odd', 'name' => 'Odd']],
            'hosts' => [['slug' => 'lanternwick', 'name' => 'Lanternwick'], ['slug' => 'platen', 'name' => 'Platen']],
        ]);
    $this->getJson('/api/deliveries?from=soon')->assertStatus(400);
});

it('is empty before anything was made', function () {
    expect(($this->deliveries)())->toBe(['deliveries' => [], 'before' => null])
        ->and($this->getJson('/api/deliveries/choices')->json('isAnyMade'))->toBeFalse();
});
