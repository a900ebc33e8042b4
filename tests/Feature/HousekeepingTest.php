<?php

use App\Upkeep\Housekeeping;
use Illuminate\Cache\FileStore;
use Illuminate\Filesystem\Filesystem;

it('keeps sessions, cached answers, logs and half uploads from growing without end', function () {
    $folder = dirname($this->folder('derived'));
    foreach (['cache', 'sessions', 'storage/logs', 'storage/framework'] as $name) {
        mkdir("{$folder}/{$name}", recursive: true);
    }
    config(['cache.stores.file.path' => "{$folder}/cache", 'session.files' => "{$folder}/sessions", 'session.lifetime' => 60]);
    $storage = storage_path();
    app()->useStoragePath("{$folder}/storage");
    $cache = new FileStore(new Filesystem, "{$folder}/cache");
    $old = function (string $file): void {
        touch($file, time() - 90 * 86_400);
    };
    // Ten thousand requests and a thousand runs leave as many of these.
    foreach (range(1, 1_000) as $i) {
        $cache->put("listing:{$i}", str_repeat('x', 100), $i <= 10 ? 3600 : 1);
        $session = "{$folder}/sessions/".substr(hash('sha256', (string) $i), 0, 40);
        file_put_contents($session, 'x');
        $i <= 10 ?: $old($session);
        file_put_contents($half = $this->folder('uploads')."/.cut {$i}.mp4.token.partial", 'x');
        $i <= 10 ?: $old($half);
    }
    foreach (['run-12', 'sample-0a1b2c3d', 'transit-00112233'] as $i => $name) {
        mkdir($work = $this->folder('derived')."/work/{$name}", recursive: true);
        file_put_contents("{$work}/sample.mkv", 'x');
        $i === 2 ?: $old("{$work}/sample.mkv");
        $old($work);
    }
    file_put_contents($this->folder('uploads').'/whole.mp4', 'x');
    $old($this->folder('uploads').'/whole.mp4');
    $log = "{$folder}/storage/logs/outer-crate.log";
    $open = fopen($log, 'ab');
    fwrite($open, str_repeat(str_repeat('x', 99)."\n", 120_000));
    sleep(2);
    app(Housekeeping::class)->run();
    fwrite($open, "the last line\n");
    $left = fn (string $of): int => count(array_filter(
        iterator_to_array(new RecursiveIteratorIterator(new RecursiveDirectoryIterator($of, FilesystemIterator::SKIP_DOTS))),
        fn (SplFileInfo $file): bool => $file->isFile(),
    ));
    expect($left("{$folder}/cache"))->toBe(10)
        ->and($left("{$folder}/sessions"))->toBe(10)
        ->and(array_map(basename(...), glob($this->folder('derived').'/work/*')))->toBe(['run-12', 'transit-00112233'])
        ->and($left($this->folder('uploads')))->toBe(11)
        ->and(file_get_contents($log))->toBe("the last line\n")
        ->and(filesize("{$log}.1"))->toBe(5_000_000);
    app()->useStoragePath($storage);
});
