<?php

use App\Models\ClearedFile;
use App\Models\Cut;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use OuterCrate\Units\ByteCount;

beforeEach(function (): void {
    $this->cut = Cut::query()->findOrFail($this->bringIn('few')['id']);
    $this->store = fn (): array => $this->answer($this->getJson('/api/store'), 'store');
    $this->clear = fn (array $runs, int $status = 200): array => $this->answer(
        $this->postJson('/api/store/clear', ['runs' => array_map(fn (Run $run): int => $run->id, $runs)]),
        $status === 200 ? 'store' : 'error',
        $status,
    );
});

it('clears made files away, puts them back, and deletes them in the end', function () {
    [$master, $sound] = $this->queued($this->cut, [['preset' => 'archive-10-bit'], ['preset' => 'sound-wav']])->all();
    $this->work();
    $before = ($this->store)();
    expect(array_column($before['files'], 'kept', 'role'))->toBe(['master' => 'It is the only master of these frames.', 'sound' => null])
        ->and($before['cleared']['files'])->toBe(0);
    $bytes = file_get_contents($sound->refresh()->file);

    $cleared = ($this->clear)([$sound]);
    expect(is_file($sound->file))->toBeFalse()
        ->and($cleared['cleared']['names'])->toBe([basename($sound->file)])
        ->and(array_column($cleared['files'], 'run'))->toBe([$master->id])
        ->and($this->getJson("/api/packs/{$sound->pack}")->json('runs.1.onDisk'))->toBeFalse();
    $this->answer($this->postJson('/api/store/take-back'), 'store');
    expect(file_get_contents($sound->file))->toBe($bytes)->and(glob(dirname($sound->file).'/.cleared'))->toBe([]);

    // Whoever cleared it was ended between writing it down and doing it.
    ClearedFile::query()->create(['run_id' => $sound->id, 'path' => $sound->file, 'cleared' => "{$sound->file}.not-there", 'bytes' => 1]);
    $this->postJson('/api/store/take-back')->assertOk();
    expect(ClearedFile::query()->count())->toBe(0)->and(file_get_contents($sound->file))->toBe($bytes);

    ($this->clear)([$sound]);
    $this->answer($this->postJson('/api/store/empty'), 'store');
    expect(ClearedFile::query()->count())->toBe(0)
        ->and(glob(dirname($sound->file).'/{,.}*.wav', GLOB_BRACE))->toBe([])
        ->and(is_dir(dirname($sound->file).'/.cleared'))->toBeFalse()
        ->and(is_file($this->cut->path))->toBeTrue();
});

it('tells a file from a later one of the same name', function () {
    $make = fn (): Run => $this->made($this->cut, ['preset' => 'sound-wav']);
    $first = $make();
    ($this->clear)([$first]);
    $second = $make();
    expect($second->file)->toBe($first->refresh()->file);
    $this->postJson('/api/store/take-back')->assertStatus(422);
    $this->postJson('/api/store/empty')->assertOk();
    expect(array_column(($this->store)()['files'], 'run'))->toBe([$second->id])
        ->and($this->getJson("/api/packs/{$first->pack}")->json('runs.0.onDisk'))->toBeFalse()
        ->and($this->getJson("/api/packs/{$second->pack}")->json('runs.0.onDisk'))->toBeTrue();
    $this->getJson("/api/runs/{$first->id}/file")->assertStatus(404);
    // Clearing the earlier run does not touch the later run's file.
    ($this->clear)([$first]);
    expect(is_file($second->file))->toBeTrue();
    ($this->clear)([$second]);
    $this->postJson('/api/store/take-back')->assertOk();
    expect($second->refresh()->gone_at)->toBeNull()->and($first->refresh()->gone_at)->not->toBeNull();
});

it('never clears the only master, nor what could not be made again', function () {
    [$one, $two, $review] = $this->queued($this->cut, [
        ['preset' => 'archive-10-bit'], ['preset' => 'light-lossless'], ['preset' => 'sound-wav'],
    ])->all();
    $this->work();
    // Either can go, both cannot; and nothing goes when one has to stay.
    $refused = ($this->clear)([$review, $one, $two], 422);
    expect($refused['error']['message'])->toContain('stays, and so does all else. It is the only master')
        ->and(is_file($review->refresh()->file))->toBeTrue();
    ($this->clear)([$one]);
    expect(($this->clear)([$two], 422)['error']['message'])->toContain('only master');
    // Its place is taken meanwhile: nothing is covered.
    file_put_contents($one->refresh()->file, 'another');
    expect($this->postJson('/api/store/take-back')->assertStatus(422)->json('error.message'))->toContain('Another file lies at its place');
    unlink($one->file);
    $this->postJson('/api/store/take-back')->assertOk();

    rename($this->cut->path, "{$this->cut->path}.away");
    expect(array_column(($this->store)()['files'], 'kept', 'role')['sound'])->toContain('could not be made again');
    rename("{$this->cut->path}.away", $this->cut->path);
});

it('ignores a master that was deleted by hand, and marks it as missing', function () {
    [$one, $two] = $this->queued($this->cut, [['preset' => 'archive-10-bit'], ['preset' => 'light-lossless']])->all();
    $this->work();
    unlink($one->refresh()->file);
    $files = array_column(($this->store)()['files'], null, 'run');
    expect(array_column($files, 'onDisk', 'run'))->toBe([$one->id => false, $two->id => true])
        ->and($files[$two->id]['kept'])->toContain('only master');
    ($this->clear)([$two], 422);
    rename(dirname($one->file), dirname($one->file).' away');
    expect(($this->clear)([$one], 422)['error']['message'])->toContain('folder is not there');
    rename(dirname($one->file).' away', dirname($one->file));
    // A missing file only leaves the list.
    expect(array_column(($this->clear)([$one])['files'], 'run'))->toBe([$two->id])
        ->and(ClearedFile::query()->count())->toBe(0)
        ->and(is_file($two->refresh()->file))->toBeTrue();
});

it('lists stored files in pages, with their total size', function () {
    $run = $this->made($this->cut, ['preset' => 'sound-wav']);
    $rows = array_map(fn (int $i): array => [
        'run_id' => 1_000 + $i, 'pack' => 'p', 'cut_id' => $i % 3, 'cut_name' => 'Kiln '.($i % 3), 'file' => "{$i}.wav", 'role' => 'sound',
        'preset' => 'x', 'preset_name' => 'x', 'bytes' => 1_000_000, 'differences' => 0, 'search' => 'x',
        'made_at' => '2026-12-01 10:00:00',
        'is_stored' => $i !== 7,
    ], range(1, 70));
    DB::table('deliveries')->insert($rows);
    $first = ($this->store)();
    $second = $this->answer($this->getJson('/api/store?cursor='.urlencode($first['cursor'])), 'store');
    $runs = array_column([...$first['files'], ...$second['files']], 'run');
    expect($first['files'])->toHaveCount(60)->and($second['cursor'])->toBeNull()
        ->and($runs)->toHaveCount(70)->and(array_unique($runs))->toHaveCount(70)->and($runs)->not->toContain(1_007)
        ->and(collect($first['files'])->firstWhere('cut', 1)['cutBytesLabel'])->not->toBe($first['filesLabel'])
        ->and($first['filesLabel'])->toBe((string) new ByteCount(69_000_000 + $run->slip['bytes']));
});

it('lets go of what is taken again at any time', function () {
    $this->get("/api/cuts/{$this->cut->id}/frames/3");
    $derived = function (): array {
        $answer = $this->answer($this->getJson('/api/store/derived'), 'store-derived');

        return array_column($answer['derived'], 'bytes', 'what');
    };
    expect($derived()['pictures'])->toBeGreaterThan(0);
    $this->answer($this->postJson('/api/store/derived/pictures'), 'store-derived');
    $this->answer($this->postJson('/api/store/derived/steps'), 'store-derived');
    expect($derived())->toBe(['pictures' => 0, 'steps' => 0])
        ->and($this->postJson('/api/store/derived/everything')->status())->toBe(404);
});
