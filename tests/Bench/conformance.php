<?php

/*
 * Every preset on every cut of the demo, its first seconds: made or stopped, frames, the buffer replayed, loudness against the target,
 * and what programs say that did not make the files: mediainfo, mkvinfo and mediaconch (`apt-get install mediainfo mkvtoolnix
 * mediaconch`). A preset or a cut can be named: `conformance.php disc tapes`.
 */

use App\Desk\CutDesk;
use App\Models\Run;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\Work\Worker;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

/** Frames of each cut that are made. */
const MOST = 25;

$finder = new ExecutableFinder;
$others = array_filter(['mediainfo', 'mkvinfo', 'mediaconch'], fn (string $program): bool => $finder->find($program) !== null);
if ($others !== ['mediainfo', 'mkvinfo', 'mediaconch']) {
    echo "Not all of mediainfo, mkvinfo and mediaconch are here: what they would say stays empty.\n";
}
$ask = function (string ...$command): string {
    $process = new Process($command, null, ['LC_ALL' => 'C.UTF-8'], null, 120);
    $process->run();

    return trim($process->getOutput().$process->getErrorOutput());
};

/** What the other programs say of a file, where it is not what the slip says. */
$heard = function (Run $run) use ($others, $ask): string {
    $said = [];
    $video = $run->slip['reading']['video'][0] ?? null;
    if (in_array('mediainfo', $others, true) && is_file($run->file)) {
        [$format, $codec, $width, $height, $frames] = explode('|', $ask(
            'mediainfo', '--Inform=General;%Format%|%Video_Format_List%|', $run->file,
        ).$ask('mediainfo', '--Inform=Video;%Width%|%Height%|%FrameCount%', $run->file).'||||') + ['', '', '', '', ''];
        $frames = (int) preg_replace('~\D~', '', $frames);
        if ($video !== null && ((int) $width !== $video['width'] || (int) $height !== $video['height'])) {
            $said[] = "mediainfo: {$width}×{$height}";
        }
        // Of streams without an index it tells the frames from first and last time stamp, and so one too few.
        $counts = ! in_array($run->slip['reading']['container'], ['mpeg-ps', 'mpeg-ts'], true);
        if ($video !== null && $counts && $frames > 0 && $frames !== $run->slip['frames']) {
            $said[] = "mediainfo: {$frames} frames";
        }
        if ($format === '') {
            $said[] = 'mediainfo: no format';
        }
    }
    $ending = pathinfo($run->file, PATHINFO_EXTENSION);
    if (in_array($ending, ['mkv', 'webm', 'mka'], true)) {
        if (in_array('mkvinfo', $others, true) && preg_match('~error|warning~i', $ask('mkvinfo', $run->file), $m) === 1) {
            $said[] = "mkvinfo: {$m[0]}";
        }
        if (in_array('mediaconch', $others, true) && ! str_starts_with($told = $ask('mediaconch', $run->file), 'pass!')) {
            // Its schema names the chromaticities of a mastering display as their own parents, where RFC 9559 has MasteringMetadata (0031).
            $faults = preg_grep('~\[fail:(?!MasteringMetadata is not a valid Parent Element of )~', explode("\n", $told)) ?: [];
            preg_match('~\[fail:~', $told) === 1 || $faults[] = strtok($told, "\n");
            $said = [...$said, ...array_map(fn (string $fault): string => 'mediaconch: '.trim($fault), $faults)];
        }
    }

    return implode('; ', $said);
};

$media = base_path('storage/demo/media');
is_file("{$media}/.made-by") || (new Process([base_path('demo/make-media'), $media], null, null, null, null))->mustRun();
[$onlyPresets, $onlyCuts] = [$argv[1] ?? '', $argv[2] ?? ''];
$cuts = array_filter(array_keys(require base_path('demo/cuts.php')), fn (string $cut): bool => str_contains($cut, $onlyCuts));
$presets = array_filter(
    array_map(fn (string $path): string => basename($path, '.json'), glob(base_path('presets/*.json'))),
    fn (string $preset): bool => str_contains($preset, $onlyPresets),
);
$counts = ['made' => 0, 'stopped' => 0, 'with differences' => 0, 'told otherwise' => 0, 'failed' => 0];
printf("%-22s %-22s %9s %9s %14s  %s\n", 'preset', 'cut', 'frames', 'buffer', 'loudness', 'what differs');
foreach ($cuts as $file) {
    $cut = app(CutShelf::class)->bringIn("{$media}/{$file}", null, false);
    $reading = $cut->reading();
    $range = new FrameRange(0, min($reading->length(), MOST) - 1);
    foreach ($presets as $preset) {
        $host = json_decode((string) file_get_contents(base_path("presets/{$preset}.json")), true)['host'] ?? null;
        $output = ['preset' => $preset, 'host' => $host, 'edits' => []];
        $column = app(CutDesk::class)->columns($cut, $reading, [$output], $range, "{$scratch}/out")[0];
        $stop = $column->firstStop();
        if ($stop !== null) {
            $counts['stopped']++;
            printf("%-22s %-22s %9s %9s %14s  stop: %s\n", $preset, $file, '–', '', '', $stop->text);

            continue;
        }
        $run = app(Packer::class)->pack($cut, [$column], "{$scratch}/out")[0];
        app(Worker::class)->one(['make'], only: [$run->work->id]);
        $run->refresh();
        if ($run->slip === null) {
            $counts['failed']++;
            printf("%-22s %-22s %9s %9s %14s  failed: %s\n", $preset, $file, '–', '', '', $run->work->error);

            continue;
        }
        $counts['made']++;
        $rate = $run->plan['values']['bitrate'];
        $needed = $run->slip['bitrates']['bufferNeeded'] ?? null;
        $told = $heard($run);
        $differs = array_column($run->slip['differences'], 'text');
        $counts['with differences'] += $differs === [] ? 0 : 1;
        $counts['told otherwise'] += $told === '' ? 0 : 1;
        $target = $run->plan['values']['audio']['loudness'] ?? null;
        $loudness = $run->slip['level']['integrated'] ?? null;
        printf(
            "%-22s %-22s %9s %9s %14s  %s\n",
            $preset,
            $file,
            "{$run->slip['frames']}/{$run->plan['frames']}",
            $needed === null || ($rate['buffer'] ?? null) === null ? '' : sprintf('%.2f×', $needed / $rate['buffer']),
            $loudness === null ? '' : sprintf('%.1f%s', $loudness, $target === null ? '' : " for {$target}"),
            implode(' ', [...$differs, ...$told === '' ? [] : [$told]]) ?: 'nothing',
        );
        is_dir($run->file) ? Illuminate\Support\Facades\File::deleteDirectory($run->file) : @unlink($run->file);
    }
}
foreach ($counts as $what => $count) {
    figure("outputs {$what}", (string) $count, '23 presets on 8 cuts');
}
