<?php

/*
 * Measures the storage used after half and after all of many requests and runs, without deliveries and the database. Requests go through
 * nginx and PHP-FPM; two workers make the runs.
 *
 * usage: bin/bench storage [REQUESTS [RUNS]]      default: 500 requests and 20 runs; in full: 10000 1000
 */

use App\Desk\CutDesk;
use App\Models\Cut;
use App\Models\Run;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\SignIn\Users;
use App\Upkeep\Housekeeping;
use Symfony\Component\Process\Process;
use Tests\Support\Soak\Usage;

// The application's storage folder, used by this bench only.
$kept = sys_get_temp_dir().'/outer-crate-kept-'.bin2hex(random_bytes(4));
foreach (['framework/cache/data', 'framework/views', 'framework/sessions', 'framework/calls', 'logs'] as $name) {
    mkdir("{$kept}/{$name}", 0o700, true);
}
putenv("LARAVEL_STORAGE_PATH={$kept}");
$_ENV['LARAVEL_STORAGE_PATH'] = $kept;

require __DIR__.'/bench.php.inc';

register_shutdown_function(fn () => Illuminate\Support\Facades\File::deleteDirectory($kept));
[$requests, $runs] = [(int) ($argv[1] ?? 500), (int) ($argv[2] ?? 20)];
$path = "{$scratch}/media/few.mp4";
$sources = ['-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=0.4', '-f', 'lavfi', '-i', 'sine=r=48000:d=0.4'];
(new Process(['ffmpeg', '-v', 'error', ...$sources, '-pix_fmt', 'yuv420p', '-c:a', 'aac', $path]))->mustRun();
$cut = Cut::query()->findOrFail(app(CutShelf::class)->bringIn($path, null, false)->id);
app(Users::class)->add('mira', 'a made-up word 14', App\Models\Role::Owner);
$address = serve($scratch);

/** Bytes stored by kind. */
$bytes = fn (): array => [
    'sessions, cache and the rest of the framework' => Usage::bytes("{$kept}/framework"),
    'logs' => Usage::bytes("{$kept}/logs"),
    'working folders and derived pictures' => Usage::bytes("{$scratch}/derived"),
    'uploads' => Usage::bytes("{$scratch}/uploads"),
    'files of the servers' => Usage::bytes("{$scratch}/served"),
    'half files among those that were made' => array_sum(array_map(
        fn (string $file): int => (int) filesize($file),
        glob("{$scratch}/out/.*.partial*") ?: [],
    )),
];

$visit = function (int $times) use ($address, $cut): int {
    $paths = [
        '', 'api/cuts', 'api/queue', 'api/strip', 'api/machine', 'api/store', 'api/media', 'api/media?search=few',
        'api/settings', 'api/uploads',
        'api/none', "api/cuts/{$cut->id}/sheet", "api/cuts/{$cut->id}/reading", "api/cuts/{$cut->id}/poster",
    ];
    $jar = '';
    $curl = curl_init();
    $answered = 0;
    for ($i = 0; $i < $times; $i++) {
        // One request in a hundred signs in and one comes without a session. A single wrong password: more would be delayed.
        $kind = $i % 100;
        $body = match (true) {
            $kind === 0 => '{"name":"mira","password":"a made-up word 14"}',
            $i === 1 => '{"name":"mira","password":"wrong"}',
            default => null,
        };
        curl_setopt_array($curl, [
            CURLOPT_URL => $address.'/'.($body === null ? $paths[$i % count($paths)] : 'api/sign-in'), CURLOPT_RETURNTRANSFER => true,
            CURLOPT_CUSTOMREQUEST => $body === null ? 'GET' : 'POST', CURLOPT_POSTFIELDS => $body, CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => ['Content-Type: application/json', "Origin: {$address}", $kind === 2 ? 'X-None: 1' : "Cookie: {$jar}"],
            CURLOPT_HEADERFUNCTION => function ($curl, string $line) use (&$jar): int {
                preg_match('~^Set-Cookie: (outer_crate=[^;]+)~i', $line, $m) === 1 ? $jar = $m[1] : null;

                return strlen($line);
            },
        ]);
        curl_exec($curl);
        $answered += curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200 ? 1 : 0;
    }

    return $answered;
};

$make = function (int $times) use ($cut, $scratch, $surroundings): void {
    $workers = [];
    for ($i = 0; $i < 2; $i++) {
        $worker = new Process(
            ['php', 'artisan', 'crate:work', '--groups=files'], base_path(), $surroundings + ['CRATE_RUNS_AT_ONCE' => '2'], timeout: null,
        );
        $worker->start();
        $workers[] = $worker;
    }
    for ($made = 0; $made < $times; $made += 20) {
        $outputs = array_fill(0, min(20, $times - $made), ['preset' => 'sound-wav']);
        $columns = app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, folder: "{$scratch}/out");
        app(Packer::class)->pack($cut, $columns, "{$scratch}/out", true);
        while (Run::underWay()->exists()) {
            usleep(100_000);
        }
    }
    array_map(fn (Process $worker) => $worker->stop(5), $workers);
};

$answered = 0;
$after = [];
foreach ([1, 2] as $half) {
    $answered += $visit(intdiv($requests, 2));
    $make(intdiv($runs, 2));
    app(Housekeeping::class)->run();
    $after[] = $bytes();
}
figure('requests, of them answered well', "{$requests}, {$answered}", '');
figure('runs, of them made', Run::query()->count().', '.count(glob("{$scratch}/out/*.wav")), '');
foreach ($after[0] as $what => $first) {
    figure($what, sprintf('%.1f → %.1f kB', $first / 1e3, $after[1][$what] / 1e3), 'after half, and after all');
}
figure('all of it, after all / after half', sprintf('%.2f ×', array_sum($after[1]) / array_sum($after[0])), 'flat');
