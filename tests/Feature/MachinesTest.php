<?php

use App\Database\Move;
use App\Database\MoveRefused;
use App\Desk\CutDesk;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\SignIn\Users;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\Support\Bars;
use Tests\Support\Clips;
use Tests\Support\Services\Pages;
use Tests\Support\Services\Servers;

const QUALITY = [
    'video' => ['codec' => 'h264'], 'container' => ['set' => 'mp4'], 'bitrate' => ['mode' => 'quality', 'quality' => 20],
    'keyframes' => ['seconds' => 1, 'closed' => true, 'bFrames' => 2],
];

const TWO_PASSES = [
    'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 300], 'peak' => ['kbps' => 600]], 'colour' => ['bitDepth' => 8],
] + QUALITY;

/*
 * Two machines that share a folder, which each has at another place, a PostgreSQL and a Redis. They are processes of one machine here,
 * under two names.
 */
beforeEach(function (): void {
    $root = dirname($this->folder('x'));
    $this->share = "{$root}/share";
    mkdir($this->share);
    foreach (['one', 'two'] as $machine) {
        symlink($this->share, "{$root}/{$machine}");
    }
    $this->servers = new Servers($root);
    $this->servers->beginPostgres();
    $this->servers->beginRedis();
    $this->surroundings = fn (string $machine): array => [
        'APP_ENV' => 'production', 'LOG_FILE' => 'tests.log', 'CACHE_STORE' => 'file', 'CRATE_MACHINE' => $machine,
        'CRATE_WORK_LEASE' => '4', 'CRATE_RUNS_AT_ONCE' => '2', 'CRATE_VOLUMES' => "share={$root}/{$machine}",
        'CRATE_MEDIA_FOLDERS' => "{$root}/{$machine}/media",
        'CRATE_DELIVERIES' => "{$root}/{$machine}/out", 'CRATE_DERIVED' => "{$root}/{$machine}/derived",
        ...$this->servers->surroundings(),
    ];
    $this->begin = function (string $machine, array $more = []): Process {
        $command = [PHP_BINARY, base_path('artisan'), 'crate:work', '--groups=files'];
        $this->workers[] = $worker = new Process($command, base_path(), $more + ($this->surroundings)($machine), timeout: null);
        $worker->start();

        return $worker;
    };
    $this->until = function (Closure $holds, string $what): void {
        for ($end = microtime(true) + 300; microtime(true) < $end; usleep(100_000)) {
            if (rescue($holds, false, false)) {
                return;
            }
        }
        test()->fail("Waited in vain: {$what}");
    };
    // The pages are on the first machine.
    config([
        'database.default' => 'pgsql', 'database.connections.pgsql.host' => "{$root}/pg", 'database.connections.pgsql.username' => 'crate',
        'database.connections.pgsql.database' => 'postgres', 'crate.work.machine' => 'one', 'crate.work.lease' => 4.0,
        'crate.volumes' => ['share' => "{$root}/one", 'deliveries' => "{$root}/one/out"],
        'crate.deliveries' => "{$root}/one/out", 'crate.derived' => "{$root}/one/derived",
        'crate.media_folders' => ["{$root}/one/media"],
    ]);
    DB::purge();
    Artisan::call('migrate', ['--force' => true]);
    $this->root = $root;
});

afterEach(function (): void {
    array_map(fn (Process $worker) => $worker->stop(0, SIGKILL), $this->workers ?? []);
    DB::purge();
    $this->servers->endRedis();
    $this->servers->endPostgres();
});

it('makes twenty files once each on two machines, while one vanishes and its servers go and come back', function () {
    mkdir("{$this->share}/media");
    $count = fn (): int => Work::query()->where('state', WorkState::Done)->count();
    $to = "{$this->root}/one/out";
    foreach (['plain', 'long', 'ten-bit', 'silent'] as $kind) {
        copy($made = Clips::make($kind), $path = "{$this->root}/one/media/".basename($made));
        $cut = app(CutShelf::class)->bringIn($path, null, false);
        $columns = app(CutDesk::class)->columns($cut, $cut->reading(), array_fill(0, 5, ['preset' => 'review-720']), null, $to);
        app(Packer::class)->pack($cut, $columns, $to);
    }
    expect(Run::query()->count())->toBe(20)->and(DB::table('runs')->where('file', 'like', 'deliveries:%')->count())->toBe(20);

    $vanishing = ($this->begin)('one');
    ($this->begin)('two');
    ($this->until)(fn (): bool => PresentWorker::query()->distinct()->pluck('host')->count() === 2, 'both are there');
    $isInHand = fn (): bool => Work::query()->where('owner', 'like', 'one:%')->exists();
    ($this->until)(fn (): bool => $count() >= 3 && $isInHand(), 'some are made, one is in hand');
    $vanishing->signal(SIGKILL);
    $this->servers->endRedis();
    ($this->until)(fn (): bool => $count() >= 7, 'the other goes on without Redis');
    $this->servers->endPostgres();
    DB::purge();
    $this->getJson('/api/queue')->assertStatus(503)->assertJsonPath('error.id', 'database-gone');
    sleep(3);
    $this->servers->beginPostgres();
    DB::purge();
    // One that has lost the folder takes nothing that it could only fail at.
    ($this->begin)('three');
    ($this->until)(fn (): bool => PresentWorker::query()->where('host', 'three')->value('misses') === "{$this->root}/three", 'it says so');
    ($this->begin)('one');
    ($this->until)(fn (): bool => $count() === 20, 'all are made');

    $files = glob("{$this->share}/out/*");
    expect($files)
        ->toHaveCount(20)
        ->and(glob("{$this->share}/out/.*.partial"))
        ->toBe([])
        ->and(RunLog::query()->where('text', 'like', 'Made: %')->count())
        ->toBe(20)
        ->and(Work::query()->sum('lost'))
        ->toBeGreaterThan(0);
    foreach (Run::query()->get() as $run) {
        expect(hash_file('sha256', $run->file))->toBe($run->slip['sha256']);
    }
});

it('serves its pages by nginx and PHP-FPM with the files that we give, and asks for a sign-in there', function () {
    $pages = new Pages(dirname($this->folder('x')), ($this->surroundings)('one') + ['SESSION_DRIVER' => 'redis']);
    $pages->begin();
    try {
        [$status, $page] = $pages->ask('/queue');
        preg_match('~/build/assets/[\w.-]+\.js~', $page, $script);
        $json = ['-H', 'Content-Type: application/json'];
        $jar = ['-b', $this->folder('jar'), '-c', $this->folder('jar')];
        $here = ['-H', 'Host: 127.0.0.1'];
        $elsewhere = ['-H', 'Host: crate.example'];
        expect($status)->toBe(200)
            ->and($pages->ask($script[0], ['-I'])[1])->toContain('immutable')
            ->and($pages->ask('/api/machine', $here)[0])->toBe(200)
            ->and($pages->ask('/api/machine', [...$here, '-H', 'X-Forwarded-For: 127.0.0.1'])[0])->toBe(403)
            ->and($pages->ask('/api/machine', $elsewhere)[0])->toBe(403);
        app(Users::class)->add('mira', 'crates of walnut');
        $signIn = [...$elsewhere, ...$jar, ...$json, '-d', '{"name":"mira","password":"crates of walnut"}'];
        expect($pages->ask('/api/machine', $elsewhere)[0])->toBe(401)
            ->and($pages->ask('/api/sign-in', $signIn)[0])->toBe(200)
            ->and($pages->ask('/api/queue', [...$elsewhere, ...$jar])[0])->toBe(200)
            // What ends the server of bin/start is refused here, and nothing else comes out of the folder.
            ->and($pages->ask('/api/uploads', [...$elsewhere, '-H', 'Content-Length: 99999999999999', '-d', 'x'])[0])->toBe(413)
            ->and($pages->ask('/api/queue', [...$elsewhere, ...$jar])[0])->toBe(200)
            ->and($pages->ask('/.env')[0])->toBe(404)
            ->and($pages->ask('/../.env', ['--path-as-is'])[0])->toBeIn([400, 404]);
    } finally {
        $pages->end();
    }
});

it('carries an SQLite file over into PostgreSQL, whole', function () {
    $file = $this->folder('earlier.sqlite');
    $dump = (string) file_get_contents(base_path('tests/fixtures/databases/1.0.0.sql'));
    (new PDO("sqlite:{$file}"))->exec(str_replace('{folder}', dirname($file), $dump));
    config(['database.connections.sqlite.database' => $file]);
    DB::purge('sqlite');
    $rows = fn (string $connection): array => collect(DB::connection('sqlite')->getSchemaBuilder()->getTableListing(schemaQualified: false))
        ->diff(['migrations', 'sqlite_sequence'])->sort()->values()
        ->mapWithKeys(fn (string $table): array => [$table => DB::connection($connection)->table($table)->count()])->all();
    $tell = fn (string $table, int $count): int => $told[$table] = $count;
    expect(array_sum($rows('pgsql')))->toBe(0);
    (new Move($file))->run($tell);
    expect($rows('pgsql'))
        ->toBe($rows('sqlite'))
        ->and(json_decode(DB::table('runs')->orderBy('id')->value('plan'), true))
        ->toBe(json_decode(DB::connection('sqlite')->table('runs')->orderBy('id')->value('plan'), true))
        ->and($this->aRun()->id)
        ->toBe(1 + DB::connection('sqlite')->table('runs')->max('id'))
        ->and(fn () => (new Move($file))->run($tell))
        ->toThrow(MoveRefused::class, 'already');
});

it('makes a long file in parts on both machines, to the frame, and whole where a part fails', function (array $edits, ?string $fails) {
    $path = "{$this->root}/one/media/numbered.mov";
    mkdir(dirname($path));
    // Each frame shows its number.
    (new Process([
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', Bars::BLANK.':r=30000/1001:d=8,'.Bars::DRAWN, '-f', 'lavfi', '-i',
        'sine=r=48000:d=8', '-c:v', 'prores', '-c:a', 'pcm_s16le', $path,
    ]))->mustRun();
    $cut = app(CutShelf::class)->bringIn($path, null, false);
    $to = "{$this->root}/one/out";
    $columns = app(CutDesk::class)->columns($cut, $cut->reading(), [['preset' => 'lossless-vault', 'edits' => $edits]], null, $to);
    ($this->begin)('two', ['CRATE_LEAST_PART' => '0.001', 'CRATE_PARTS_EACH' => '4']);
    ($this->begin)('one', ['CRATE_LEAST_PART' => '0.001', 'CRATE_PARTS_EACH' => '4']);
    ($this->until)(fn (): bool => PresentWorker::query()->count() === 2, 'both are there');
    $owners = [];
    $run = app(Packer::class)->pack($cut, $columns, $to)[0];
    ($this->until)(function () use ($run, &$owners, $fails): bool {
        array_push($owners, ...Work::query()->where('kind', 'part')->whereNotNull('owner')->pluck('owner')->all());
        $fails === null || Work::query()->where(['kind' => 'part', 'state' => 'waiting'])->limit(1)->update(['state' => 'failed']);

        return $run->work->refresh()->state->isOver();
    }, 'it is made');
    $log = RunLog::query()->where('run_id', $run->id)->pluck('text')->implode("\n");
    $run->refresh();
    expect($run->work->error)->toBeNull()
        ->and(array_column($run->slip['differences'], 'text'))->toBe([])
        ->and(Bars::in('-i', $run->file))->toBe(array_map(fn (int $frame): int => $frame % 256, range(0, 239)))
        ->and(substr_count($log, 'Divided into'))->toBe(1)
        ->and(str_contains($log, 'made as a whole'))->toBe($fails !== null)
        ->and(glob("{$this->share}/derived/work/*"))->toBe([])
        ->and(DB::table('parts')->count() + Work::query()->where('kind', 'part')->count())->toBe(0);
    if ($fails === null) {
        $hosts = array_unique(array_map(fn (string $owner): string => explode(':', $owner)[0], $owners));
        expect($hosts)->toEqualCanonicalizing(['one', 'two']);
    }
})->with([
    'H.264' => [QUALITY, null],
    'H.264 in two passes' => [TWO_PASSES, null],
    'ProRes' => [['video' => ['codec' => 'prores'], 'container' => ['set' => 'mov'], 'audio' => ['codec' => 'pcm']], null],
    'one that fails' => [QUALITY, 'a part'],
]);
