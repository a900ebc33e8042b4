<?php

use App\Media\Fingerprint;
use App\Models\Cut;
use App\Models\Run;
use App\Models\Setting;
use App\Models\WorkState;
use App\Upkeep\Upgrade;
use Illuminate\Support\Facades\DB;
use Tests\Support\Later\LaterVersion;

/** The database that a released version left behind, with one more migration to come. */
function upgradedFrom(string $dump): void
{
    $test = test();
    $file = $test->folder('earlier.sqlite');
    $pdo = new PDO("sqlite:{$file}");
    $pdo->exec(str_replace('{folder}', dirname($file), (string) file_get_contents($dump)));
    unset($pdo);
    config([
        'database.default' => 'sqlite', 'database.connections.sqlite.database' => $file, 'crate.backups' => $test->folder('backups'),
    ]);
    DB::purge();
    $path = $test->clip();
    // The clip is made anew, by whatever engine is installed.
    $state = ['bytes' => filesize($path), 'modified' => filemtime($path), 'fingerprint' => Fingerprint::of($path)];
    DB::table('cuts')->update($state);
    DB::table('runs')->update(['cut_state' => json_encode($state)]);
    LaterVersion::in(app());
    expect(app(Upgrade::class)->isCurrent())->toBeFalse();
    app(Upgrade::class)->run(fn () => null);
    expect(app(Upgrade::class)->isCurrent())->toBeTrue();
}

it('carries sheets, files, slips and settings over from every release, and makes what was waiting', function (string $dump) {
    upgradedFrom($dump);
    $sheet = $this->answer($this->getJson('/api/cuts/1/sheet'), 'sheet');
    expect($sheet['outputs'][1]['plan']['values']['bitrate']['average'])->toBe(2_000_000)
        ->and($sheet['cut']['values'])->toMatchArray(['container' => 'MP4', 'frameSize' => '320×180', 'frameRate' => '25'])
        ->and(Setting::lineSpeed()->bitsPerSecond)->toBe(40_000_000)
        ->and(Cut::query()->sole()->found())->not->toBeNull();

    $queue = $this->answer($this->getJson('/api/queue'), 'queue')['runs'];
    expect(array_count_values(array_column($queue, 'state')))->toEqualCanonicalizing(['waiting' => 1, 'failed' => 1, 'done' => 3]);

    [$master, $upload, $audio] = $this->answer($this->getJson('/api/packs/'.Run::query()->first()->pack), 'pack')['runs'];
    expect($master['slip']['found'])->toMatchArray(['container' => 'MOV', 'keyframes' => 'every frame'])
        ->and($upload['slip']['bitrates']['video'])->toBeGreaterThan(0)
        ->and($audio['slip']['found']['frameSize'])->toBe('–');

    $delivered = $this->answer($this->getJson('/api/deliveries?search=plain'), 'delivery-list')['deliveries'];
    expect(array_column($delivered, 'role'))->toEqualCanonicalizing(['master', 'upload', 'sound']);

    $waiting = Run::underWay()->sole();
    $this->work();
    expect($waiting->refresh()->work->state)->toBe(WorkState::Done, (string) $waiting->work->error)
        ->and(unwanted($waiting))->toBe([]);
})->with(fn (): array => glob(dirname(__DIR__).'/fixtures/databases/*.sql'));
