<?php

use App\Engine\Prober;
use App\Models\Cut;
use App\Models\WorkState;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Units\FrameRange;

/** Sizes of the picture's packets, as the prober lists them. */
function packetSizes(string $path): array
{
    $sizes = [];
    app(Prober::class)->packets($path, function (Packet $packet) use (&$sizes): void {
        if ($packet->stream === 0) {
            $sizes[] = $packet->bytes;
        }
    });

    return $sizes;
}

it('holds a peak over its buffer in every stretch of the file, and says what it is', function (string $codec, array $rate) {
    $run = delivered('mixed', 'review-720', [
        'container' => ['set' => 'matroska'],
        'video' => ['codec' => $codec, 'effort' => 'fast'],
        'bitrate' => $rate + ['mode' => 'vbr', 'average' => ['kbps' => 200], 'peak' => ['kbps' => 300]],
    ]);
    expect($run->work->error)->toBeNull();
    $bitrate = $run->plan['values']['bitrate'];
    $sizes = packetSizes($run->file);
    // By windows, not by the replay of the slip: in any n frames at most n frames' worth of the peak, and the buffer.
    $fps = count($sizes) / 8;
    $most = 0;
    foreach ([1, 2, 5, 12, 25, 50, 100, 250] as $frames) {
        $window = array_sum(array_slice($sizes, 0, $frames));
        for ($i = $frames; $i < count($sizes); $i++) {
            $window += $sizes[$i] - $sizes[$i - $frames];
            $most = max($most, 8 * $window - $bitrate['peak'] * ($frames - 1) / $fps);
        }
    }
    expect($most)
        ->toBeLessThanOrEqual($bitrate['buffer'])
        ->and($most)
        ->toBeGreaterThan(0.3 * $bitrate['buffer'])
        ->and($bitrate['peakLabel'])
        ->toBe('peak '.new OuterCrate\Units\Bitrate($bitrate['peak']).' over '.$bitrate['buffer'] / $bitrate['peak']."\u{2009}s of buffer")
        ->and(array_filter(array_column($run->slip['differences'], 'text'), fn (string $text): bool => str_contains($text, 'run dry')))
        ->toBe([]);
})->with([
    ['h264', ['passes' => 1, 'buffer' => ['seconds' => 0.25]]],
    ['hevc', ['passes' => 2]],
]);

it('lands two passes within three hundredths of their average, or under the size', function (string $codec, array $average) {
    $run = delivered('mixed', 'review-720', [
        'container' => ['set' => 'mp4'],
        'video' => ['codec' => $codec, 'effort' => 'fast'],
        'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => $average],
    ]);
    expect($run->work->error)->toBeNull();
    $got = 8 * array_sum(packetSizes($run->file)) / 8 / ($average['kbps'] ?? 1) / 1000;
    $share = isset($average['bytes']) ? filesize($run->file) / $average['bytes'] : $got;
    expect($share)
        ->toBeGreaterThan(0.97)
        ->toBeLessThanOrEqual(isset($average['bytes']) ? 1.0 : 1.03)
        ->and(array_filter($run->slip['differences'], fn (array $difference): bool => $difference['cell'] === 'bitrate'))
        ->toBe([]);
})->with([
    ['h264', ['kbps' => 400]],
    ['hevc', ['bytes' => 500_000]],
]);

it('makes a file in one pass where its encoder refuses the average in two', function () {
    $edits = [
        'video' => ['codec' => 'mpeg2video', 'effort' => 'fast', 'profile' => 'p422'], 'container' => ['set' => 'mpeg-ps'],
        'audio' => ['codec' => 'mp3'], 'frameSize' => ['step' => -1],
        'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['bitsPerPixel' => 0.3]],
    ];
    $cut = Cut::query()->findOrFail($this->bringIn('turned')['id']);
    // So few frames are mostly keyframe: it breaks down over an average that it cannot come down to.
    $run = $this->made($cut, ['preset' => 'exchange-vc-3', 'host' => 'lanternwick', 'edits' => $edits], new FrameRange(0, 3));
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)
        ->and($run->slip['frames'])->toBe(4)
        ->and($this->get("/api/runs/{$run->id}/log?text=1")->getContent())->toContain('it is made in one');
});
