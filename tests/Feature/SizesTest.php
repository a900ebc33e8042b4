<?php

use App\Engine\Prober;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Containers\Payload;
use OuterCrate\Reading\Packets\Packet;

it('foresees what a container adds to picture and sound', function (string $preset, array $edits) {
    $run = delivered('long', $preset, $edits);
    $packets = [0, 0];
    $bytes = 0;
    app(Prober::class)->packets($run->file, function (Packet $packet) use (&$packets, &$bytes): void {
        $packets[$packet->stream === 0 ? 0 : 1]++;
        $bytes += $packet->bytes;
    });
    $container = (new Catalogue)->container($run->plan['values']['container']['set']);
    $foreseen = $container->overhead(
        new Payload($packets[0], $packets[1], $run->plan['values']['keyframes']['frames'] === 1, $bytes, 8.0),
    );
    $added = filesize($run->file) - $bytes;
    // Within half a hundredth of the file, and of the right order.
    expect(abs($foreseen - $added) / filesize($run->file))
        ->toBeLessThan(0.005)
        ->and($foreseen / $added)
        ->toBeGreaterThan(0.6)
        ->toBeLessThan(1.7);
})->with(function () {
    $fast = ['codec' => 'h264', 'effort' => 'fast'];
    foreach (['mp4', 'mov', 'matroska', 'mpeg-ts'] as $container) {
        $fine = ['mode' => 'quality', 'quality' => 10];
        yield $container => ['review-720', ['container' => ['set' => $container], 'video' => $fast, 'bitrate' => $fine]];
    }
    yield 'avi' => [
        'light-lossless',
        [
            'container' => ['set' => 'avi'],
            'video' => ['codec' => 'mjpeg'],
            'bitrate' => ['mode' => 'quality'],
            'audio' => ['codec' => 'pcm'],
        ],
    ];
    yield 'mxf' => ['exchange-vc-3', []];
    yield 'mpeg-ps' => ['sd-disc-50', ['bitrate' => ['passes' => 1]]];
    yield 'webm' => [
        'review-720',
        [
            'container' => ['set' => 'webm'],
            'video' => ['codec' => 'vp9', 'effort' => 'fast'],
            'frameSize' => ['fit' => '192×108'],
            'bitrate' => ['mode' => 'quality', 'quality' => 4],
            'audio' => ['codec' => 'opus'],
        ],
    ];
});

it('stays under a size that was asked for', function (string $codec, array $rate) {
    $run = delivered('long', 'review-720', [
        'video' => ['codec' => $codec, 'effort' => 'fast'],
        'container' => ['set' => 'matroska'],
        'frameSize' => ['fit' => '256×144'],
        'bitrate' => $rate + ['mode' => 'vbr', 'average' => ['bytes' => 280_000]],
    ]);
    expect($run->work->error)
        ->toBeNull()
        ->and(filesize($run->file) / $run->plan['values']['bitrate']['target'])
        ->toBeLessThanOrEqual(1.0)
        ->toBeGreaterThan(0.6);
})->with([
    ['h264', []],
    ['h264', ['passes' => 1]],
    ['h264', ['mode' => 'cbr']],
    ['mpeg2video', ['average' => ['bytes' => 800_000]]],
    ['av1', []],
]);

it('keeps an average in one pass, though the picture gets ever busier', function () {
    $run = delivered('busier', 'review-720', [
        'video' => ['effort' => 'fast'],
        'bitrate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 300], 'peak' => ['timesAverage' => 1.5]],
    ]);
    expect($run->work->error)
        ->toBeNull()
        ->and((filesize($run->file) * 8) / 80 / 300_000)
        // What one pass promises of cuts over a minute.
        ->toBeLessThan(1.05)
        ->toBeGreaterThan(0.95);
});
