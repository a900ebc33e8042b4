<?php

/*
 * Writes down what the prober says of each demo cut, so that presets are tried on the demo without making it. Run after bin/start has
 * made the demo: php tests/Support/demo/write.php
 */

use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../../../vendor/autoload.php';
(require __DIR__.'/../../../bootstrap/app.php')->make(Kernel::class)->bootstrap();
foreach (array_keys(require base_path('demo/cuts.php')) as $file) {
    $path = storage_path("demo/media/{$file}");
    ['probe' => $probe, 'fastStart' => $fastStart] = app(App\Media\CutReader::class)->read($path);
    $probe['format']['filename'] = $file;
    $kept = ['bytes' => filesize($path), 'fastStart' => $fastStart, 'probe' => $probe];
    $text = json_encode($kept, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    file_put_contents(__DIR__."/{$file}.json", "{$text}\n");
}
