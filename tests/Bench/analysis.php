<?php

/*
 * How long an analysis takes against the length of a 1080p25 H.264 cut at 10 Mb/s with stereo sound, with and without its proxy,
 * and how much memory its own process needs for an hour of facts.
 */

use App\Analysis\Analyser;
use App\Media\CutReader;
use App\Media\Workspace;
use OuterCrate\Analysis\Analysis;
use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\Measure;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mp4";
$seconds = 40;
(new Process(
    [
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i',
        "testsrc2=s=1920x1080:r=25:d={$seconds},noise=alls=3:allf=t",
        '-f',
        'lavfi',
        '-i',
        "anoisesrc=c=pink:r=48000:a=0.3:d={$seconds}",
        '-c:v',
        'libx264',
        '-preset',
        'superfast',
        '-b:v',
        '10M',
        '-g',
        '50',
        '-pix_fmt',
        'yuv420p',
        '-ac',
        '2',
        $path,
    ],
    timeout: 300,
))->mustRun();
$reading = app(CutReader::class)->read($path)['reading'];
$measure = function (bool $proxy) use ($reading, $path, $scratch): array {
    $begun = hrtime(true);
    $facts = app(Analyser::class)->measure(
        $reading,
        $path,
        new Workspace("{$scratch}/derived/".bin2hex(random_bytes(4))),
        $proxy,
        fn () => null,
        fn (): bool => false,
    );
    Analysis::of($facts, $reading)->toArray();

    return [(hrtime(true) - $begun) / 1e9, $facts];
};
[$without, $facts] = $measure(false);
[$with] = $measure(true);
figure('Analysis without proxy / length of a 1080p25 H.264 cut', sprintf('%.2f ×', $without / $seconds), 'at most 0.5 ×');
figure('Analysis with proxy and strip / length', sprintf('%.2f ×', $with / $seconds), 'no promise');

$hour = new Facts;
for ($i = 0; $i < 3600 / $seconds; $i++) {
    $hour->append($facts);
}
$begun = hrtime(true);
Analysis::of($hour, $reading);
figure(
    'Concluding from an hour of facts',
    sprintf('%.1f s, %.0f MB', (hrtime(true) - $begun) / 1e9, memory_get_peak_usage(true) / 1e6),
    'kept: '.round(strlen($hour->pack()) / 1e6, 1).' MB, '.$hour->of(Measure::Mean)->count().' frames',
);
