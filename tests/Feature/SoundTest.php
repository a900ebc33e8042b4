<?php

use App\Shelf\CutShelf;
use Symfony\Component\Process\Process;

/** @return array{float, float} integrated loudness in LUFS and true peak in dBTP, as the engine measures them */
function loudnessOf(string $path): array
{
    $process = new Process([
        'ffmpeg', '-nostdin', '-hide_banner', '-i',
        $path,
        '-map',
        '0:a',
        '-af',
        'ebur128=peak=true',
        '-f',
        'null',
        '-',
    ]);
    $process->run();
    preg_match_all(
        '~(?:I:|Peak:)\s+(-?[\d.]+|-inf)~',
        substr($process->getErrorOutput(), (int) strrpos($process->getErrorOutput(), 'Summary')),
        $m,
    );

    return [(float) $m[1][0], (float) $m[1][1]];
}

it('brings what is delivered to its loudness, codec and all, with its peaks under the ceiling', function (
    string $kind,
    array $sound,
    float $expected,
) {
    // None of them was analysed before: what is asked is heard first.
    $run = delivered($kind, 'review-720', ['audio' => $sound, 'container' => ['set' => 'mov']]);
    [$loudness, $peak] = loudnessOf($run->file);
    expect($run->work->error)
        ->toBeNull()
        ->and(abs($loudness - $expected))
        ->toBeLessThanOrEqual(0.5)
        ->and($peak)
        ->toBeLessThanOrEqual($sound['truePeak'] ?? -1.0)
        // The slip tells what other ears hear, and finds nothing wrong with it.
        ->and(abs($run->slip['level']['integrated'] - $loudness))
        ->toBeLessThan(0.15)
        ->and(abs($run->slip['level']['truePeak'] - $peak))
        ->toBeLessThan(0.15)
        ->and(unwanted($run))
        ->toBe([]);
})->with([
    'a tone lowered' => ['tone', ['codec' => 'aac', 'kbps' => 128, 'loudness' => -28], -28],
    'peaks that pass the ceiling' => ['peaky', ['codec' => 'aac', 'kbps' => 96, 'loudness' => -20, 'truePeak' => -2], -20],
    'six channels in two' => ['correlated', ['codec' => 'aac', 'kbps' => 192, 'loudness' => -15], -15],
    'six channels' => ['correlated', ['codec' => 'pcm', 'channels' => 6, 'loudness' => -23], -23],
]);

it('mixes down alike for every codec, and knows beforehand where the sum is too much', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip('correlated'));
    $this->work('analyse');
    $cut->refresh();
    $heard = [];
    foreach ([['codec' => 'pcm', 'bitDepth' => 32], ['codec' => 'flac'], ['codec' => 'aac', 'kbps' => 256]] as $sound) {
        $output = ['preset' => 'review-720', 'edits' => ['audio' => $sound + ['channels' => 2], 'container' => ['set' => 'matroska']]];
        $finding = array_values(array_filter($this->columns($cut, [$output])[0]->findings, fn ($f): bool => $f->id === 'mix-overloads'))[0];
        $remedied = $output;
        $remedied['edits']['audio'] = [...$output['edits']['audio'], ...$finding->remedy->patch['audio']];
        $run = $this->made($cut, $remedied);
        $heard[] = loudnessOf($run->file);
        expect(unwanted($run))->toBe([]);
    }
    // 0.9 in a front, centre and surround at half power each: 0.9 × 2.414 is 6.7 dB over full scale, 3 dB less with headroom.
    expect($finding->text)
        ->toContain('3.7 dBTP')
        ->and($finding->remedy->patch['audio']['headroom'])
        ->toEqual(8)
        ->and([$heard[0][1], $heard[1][1]])
        ->each->toBeLessThanOrEqual(-1.0)
        // A lossy codec makes peaks of its own; nothing asked to hold them here.
        ->and($heard[2][1])
        ->toBeLessThan(0)
        ->and(max(array_column($heard, 0)) - min(array_column($heard, 0)))
        ->toBeLessThan(0.2);
});

it('keeps six channels where the target carries them', function (string $preset) {
    $run = delivered('correlated', $preset, ['frameSize' => ['fit' => '160×90'], 'bitrate' => ['mode' => 'quality', 'passes' => 1]]);
    expect($run->slip['reading']['audio'][0]['channels'] ?? $run->work->error)->toBe(6);
})->with(['media-player-2160']);
