<?php

use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Models\Setting;
use App\Models\WorkState;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use OuterCrate\Reading\ProbeReader;

/*
 * A database as the version before “one kind of work” left it: a cut with a sheet that was worked on, three files made of it, one
 * that waits, one that was under way when everything ended, one that failed; a look at the cut that waited, a sample that was asked
 * for, a line speed.
 */
beforeEach(function (): void {
    $file = $this->folder('earlier.sqlite');
    $dump = (string) file_get_contents(base_path('tests/Support/earlier/before-one-kind-of-work.sql'));
    $pdo = new PDO("sqlite:{$file}");
    $pdo->exec(str_replace('{folder}', dirname($file), $dump));
    unset($pdo);
    config(['database.default' => 'sqlite', 'database.connections.sqlite.database' => $file]);
    DB::purge();
    $path = $this->clip();
    DB::table('cuts')->update(['bytes' => filesize($path), 'modified' => filemtime($path)]);
    Artisan::call('migrate', ['--force' => true]);
});

it('carries sheets over, with what was changed in them', function () {
    $sheet = $this->answer($this->getJson('/api/cuts/1/sheet'), 'sheet');
    expect(array_keys($sheet['outputs'][1]['plan']['edits']))
        ->toEqualCanonicalizing(['bitrate', 'audio', 'video', 'file'])
        ->and($sheet['outputs'][1]['plan']['values']['bitrate']['average'])
        ->toBe(20_000_000)
        ->and($sheet['outputs'][1]['plan']['values']['video']['label'])
        ->toStartWith('H.264 Main')
        ->and($sheet['outputs'][1]['plan']['values']['file']['name'])
        ->toStartWith('Plain 180p25')
        ->and($sheet['cut']['values'])
        ->toMatchArray(['container' => 'MP4', 'frameSize' => '320×180', 'frameRate' => '25', 'file' => 'plain.mp4'])
        ->and(Setting::lineSpeed()->files)
        ->toBe(1);
});

it('carries what was made over, with its slips', function () {
    $list = $this->answer($this->getJson('/api/queue'), 'queue')['runs'];
    expect(array_count_values(array_column($list, 'state')))
        ->toEqualCanonicalizing(['waiting' => 2, 'failed' => 1, 'done' => 3])
        ->and(array_column($list, 'expectedSeconds'))->each->toBeGreaterThan(0);
    $pack = $this->answer($this->getJson('/api/packs/'.Run::query()->first()->pack), 'pack')['runs'];
    [$master, $upload, $sound] = $pack;
    expect($master['slip']['found'])
        ->toMatchArray(['container' => 'MOV', 'video' => 'ProRes 422 HQ', 'keyframes' => 'every frame'])
        ->and($upload['plan']['values']['bitrate']['label'])
        ->toStartWith('VBR, 2 passes')
        ->and($upload['slip']['bitrates']['video'])
        ->toBeGreaterThan(0)
        ->and($sound['slip']['found']['frameSize'])
        ->toBe('–')
        ->and($upload['path'])
        ->toBe($this->folder('out').'/Plain 180p25.mp4');
});

it('lists the files that were made before there was a list', function () {
    $list = $this->answer($this->getJson('/api/deliveries?search=plain'), 'delivery-list')['deliveries'];
    expect(array_column($list, 'role'))->toEqualCanonicalizing(['master', 'upload', 'sound'])
        ->and(array_column($list, 'file'))->toContain('Plain 180p25.mp4')
        ->and(array_column($list, 'bytes'))->each->toBeGreaterThan(0);
});

it('says of what waited that it is to be packed again, and shows what was planned', function () {
    $waiting = Run::underWay()->get();
    expect($waiting)->toHaveCount(2);
    $this->work();
    foreach ($waiting as $run) {
        expect($run->refresh()->work->state)->toBe(WorkState::Failed)
            ->and($run->work->error)->toContain('by a version before 1.0')->toContain('Pack it again from its sheet.')
            ->and($run->plan['values']['video']['label'])->not->toBe('');
    }
    expect($this->left('out'))->toBe([]);
});

it('looks at a cut that waited to be looked at, and has no other queue any more', function () {
    $this->work('make');
    $this->work('analyse');
    expect(CutAnalysis::query()->sole()->work->state)
        ->toBe(WorkState::Done)
        ->and(Cut::query()->sole()->found())
        ->not->toBeNull()
        ->and(DB::getSchemaBuilder()->hasTable('jobs'))
        ->toBeFalse();
});

it('reads cuts again that were read without the times of their frames', function () {
    expect(ProbeReader::hasTimes(Cut::query()->first()->probe['probe']))->toBeFalse();
    Artisan::call('crate:catch-up');
    expect(ProbeReader::hasTimes(Cut::query()->first()->probe['probe']))
        ->toBeTrue()
        ->and(Cut::query()->count())
        ->toBe(1)
        ->and(Cut::query()->first()->outputs)
        ->toHaveCount(3);
});
