<?php

/*
 * What the queue adds to the engine, and what it saves by decoding once: one upload through the queue against the engine that makes the
 * file and decodes it to its end, of a codec that is quick to encode, in one pass and in two, and of one that is not; a master and two
 * uploads of cuts of ten bits, made together against the same ones made one after another, medians of three rounds. Of one alone, all
 * seconds of four rounds. A machine that others use as well is slower in one minute than in the next, up to a sixth: so the engine's
 * seconds are once those of the queue's own commands, as its log has them, and once those of the same commands by hand, before the
 * queue's or after them by turns.
 *
 * What is saved together is decoding, two times of three. How much that is goes by the cut: one that is finished in the size of its
 * camera, and of which smaller uploads are made; one that is no larger than its uploads, whose encoders are busy for so long that little is
 * left to save; and one that is slow to decode. Beside each stands what decoding by itself takes: where two times of it are less than a
 * fifth, decoding once cannot save one.
 *
 * usage: bin/bench packing [alone|together]        both when left out
 */

use App\Desk\CutDesk;
use App\Models\Cut;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\Work\Worker;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\File;
use OuterCrate\Encoding\PassBuilder;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$cutOf = function (string $name, string $size, int $seconds, string ...$codec) use ($scratch): Cut {
    $path = "{$scratch}/media/{$name}";
    $scene = "mandelbrot=s={$size}:r=25:maxiter=300,noise=alls=2:allf=t";
    $inputs = ['-f', 'lavfi', '-i', $scene, '-f', 'lavfi', '-i', 'sine=r=48000', '-t', (string) $seconds];
    (new Process(['ffmpeg', '-v', 'error', ...$inputs, ...$codec, '-c:a', 'pcm_s24le', $path], timeout: 900))->mustRun();

    return app(CutShelf::class)->bringIn($path);
};
$tenBits = ['-pix_fmt', 'yuv422p10le'];
$prores = ['-c:v', 'prores', '-profile:v', '3', ...$tenBits];
$isAlone = ($argv[1] ?? 'alone') === 'alone';
$isTogether = ($argv[1] ?? 'together') === 'together';
$long = $isAlone ? $cutOf('long.mov', '1280x720', 15, ...$prores) : null;
$upload = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => []];
$of = fn (string $size): array => ['edits' => ['frameSize' => ['fit' => $size]]] + $upload;
$cuts = $isTogether ? [
    'ProRes 2160 (1080, 720)' => [$cutOf('large.mov', '3840x2160', 2, ...$prores), $of('1920×1080'), $of('1280×720')],
    'ProRes 720 (720, 480)' => [$cutOf('prores.mov', '1280x720', 6, ...$prores), $upload, $of('854×480')],
    'FFV1 720 (720, 480)' => [
        $cutOf('ffv1.mkv', '1280x720', 6, '-c:v', 'ffv1', '-level', '3', '-slices', '16', ...$tenBits), $upload, $of('854×480'),
    ],
] : [];
$alone = $long === null ? [] : [
    'H.264 in one pass' => $upload,
    'H.264 in two passes' => ['preset' => 'lanternwick-generous'] + $upload,
    'HEVC in one pass' => ['edits' => ['video' => ['codec' => 'hevc']]] + $upload,
];
$columns = fn (Cut $cut, array $of): array => app(CutDesk::class)->columns($cut, $cut->reading(), $of, null, "{$scratch}/out");
$packed = fn (Cut $cut, array $outputs) => app(Packer::class)->pack($cut, $columns($cut, $outputs), "{$scratch}/out");

/** @param  Closure(): mixed  $do  seconds that it takes */
$timed = function (Closure $do): float {
    $begun = hrtime(true);
    $do();

    return (hrtime(true) - $begun) / 1e9;
};
$done = function (iterable $runs): array {
    $tries = [];
    foreach ($runs as $run) {
        $run->refresh()->work->state === WorkState::Done ?: throw new RuntimeException("A run failed: {$run->work->error}");
        $tries[] = $run->slip['tries'] ?? 1;
    }

    return $tries;
};
File::ensureDirectoryExists("{$scratch}/by-hand");
$engine = function (array $arguments) use ($scratch): void {
    $command = ['nice', '-n', '10', 'ffmpeg', '-v', 'error', '-nostdin', '-y', ...$arguments];
    (new Process($command, "{$scratch}/by-hand", timeout: 900))->mustRun();
};
$byHand = function (array $output) use ($columns, $engine, $long): void {
    foreach (app(PassBuilder::class)->passes($columns($long, [$output])[0]->plan, $long->reading(), witnessed: false) as $pass) {
        $engine(['-i', $long->path, ...$pass->arguments, $pass->writes ? 'by-hand.mp4' : '-']);
    }
};
/** Seconds that the log of runs has: of engine commands, or of reading back, decoding to the end and holding against the plan. */
$logged = fn (Collection $runs, string $kind): float => (float) RunLog::query()
    ->whereIn('run_id', $runs->pluck('id'))
    ->where('kind', $kind)
    ->sum('seconds');
[$beside, $overheads, $encoded, $unchecked, $shares, $decodings, $tries] = [[], [], [], [], [], [], []];
for ($round = 0; $round < 4; $round++) {
    foreach ($alone as $kind => $output) {
        $runs = $packed($long, [$output]);
        $ways = ['queue' => fn () => app(Worker::class)->one(['make']), 'hand' => fn () => $byHand($output)];
        $seconds = array_map($timed, $round % 2 === 0 ? $ways : array_reverse($ways));
        $tries = [...$tries, ...$done($runs)];
        $decoding = $timed(fn () => $engine(['-i', 'by-hand.mp4', '-map', '0', '-f', 'null', '-']));
        $beside[$kind][] = [$seconds['queue'], $logged($runs, 'command') + $decoding];
        $overheads[$kind][] = [$seconds['queue'], $seconds['hand'] + $decoding];
        $encoded[$kind][] = [$seconds['queue'], $seconds['hand']];
        $unchecked[$kind][] = [$seconds['queue'] - $logged($runs, 'result'), $seconds['hand']];
    }
}
for ($round = 0; $round < 3; $round++) {
    foreach ($cuts as $kind => [$cut, $larger, $less]) {
        $outputs = [['preset' => 'archive-10-bit', 'host' => null, 'edits' => []], $larger, $less];
        $runs = $packed($cut, $outputs);
        $together = $timed(fn () => app(Worker::class)->one(['make']));
        $tries = [...$tries, ...$done($runs)];
        $runs = $packed($cut, $outputs);
        $apart = $timed(fn () => $runs->each(fn (Run $run) => app(Worker::class)->one(['make'], only: [$run->work->id])));
        $tries = [...$tries, ...$done($runs)];
        $shares[$kind][] = $together / $apart;
        $decodings[$kind][] = $timed(fn () => $engine(['-i', $cut->path, '-map', '0', '-f', 'null', '-'])) / $apart;
    }
}
$all = fn (array $ratios): string => implode(' ', array_map(fn (float $ratio): string => sprintf('%.2f', $ratio), $ratios));
foreach ($overheads as $kind => $overhead) {
    $told = [
        "An upload of {$kind} through the queue / its engine commands, and decoding by hand" => [$beside[$kind], 'at most 1.03 ×'],
        '/ the same commands by hand, and decoding by hand' => [$overhead, ''],
        '/ the same commands by hand, and nobody looks at what they made' => [$encoded[$kind], ''],
        'without checking what was made / the same' => [$unchecked[$kind], ''],
    ];
    foreach ($told as $what => [$rounds, $bar]) {
        figure($what, sprintf('%.3f ×', array_sum(array_column($rounds, 0)) / array_sum(array_column($rounds, 1))), $bar);
        figure('rounds', $all(array_map(fn (array $of): float => $of[0] / $of[1], $rounds)), '');
    }
}
foreach ($shares as $kind => $ratios) {
    $toSave = 2 * percentile($decodings[$kind], 0.5);
    figure("A master and two uploads of {$kind}, together / one by one", sprintf('%.3f ×', percentile($ratios, 0.5)), 'at most 0.80 ×');
    figure('rounds', $all($ratios), '');
    figure('decoding the cut twice / one by one', sprintf('%.3f ×', $toSave), 'what there is to save');
}
figure('files that were made more than once for their rate', (string) count(array_filter($tries, fn (int $n): bool => $n > 1)), 'none');
