<?php

use OuterCrate\Encoding\Aim;
use OuterCrate\Encoding\Attempt;
use OuterCrate\Encoding\Boxes\MovieIndex;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\Filters\FilterChain;
use OuterCrate\Encoding\Filters\MixDown;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\ProgressReader;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Units\Bitrate;
use Tests\Support\Desk;
use Tests\Support\Probes;

function passes(array $probe, string $output, array $edits = []): array
{
    $reading = Desk::reading($probe);

    return (new PassBuilder(new Encoders))->passes(Desk::plan($reading, $output, $edits), $reading);
}

it('asks the engine for what was planned', function (string $output, array $edits, array $wanted) {
    $arguments = implode(
        ' ',
        array_merge(...array_map(fn ($pass): array => $pass->arguments, passes(Probes::mezzanine(), $output, $edits))),
    );
    foreach ($wanted as $part) {
        expect($arguments)->toContain($part);
    }
})->with([
    [
        'archive-10-bit',
        [],
        ['-c:v prores -profile:v 3', '-pix_fmt yuv422p10le', '-c:a pcm_s24le', '-movflags +write_colr', '-map_metadata 0', '-f mov'],
    ],
    ['archive-10-bit', ['video' => ['effort' => 'slow']], ['-c:v prores_ks']],
    [
        'lossless-vault',
        [],
        ['-c:v ffv1 -level:v 3 -g 1', '-slicecrc 1', '-c:a flac -sample_fmt s32 -bits_per_raw_sample:a 24', '-f matroska'],
    ],
    [
        'lanternwick-even@lanternwick',
        [],
        [
            '-profile:v high -level:v 3.1 -b:v 5500000 -maxrate 8250000 -bufsize 8242000 -g 50 -bf 2', 'open-gop=0:b-pyramid=none',
            '-movflags +write_colr+faststart', '-map_metadata -1', '-b:a 320000 -ar 48000 -ac:a:0 2',
        ],
    ],
    ['lanternwick-even@lanternwick', ['bitrate' => ['mode' => 'cbr']], ['-minrate 5500000', 'nal-hrd=cbr']],
    ['sound-wav', [], ['-vn -map 0:1 -c:a pcm_s24le', '-rf64 auto -f wav']],
    ['sound-mp3', [], ['-vn', '-c:a libmp3lame -b:a 256000', '-f mp3']],
    [
        'frames-tiff-16',
        [],
        [
            'format=gbrp16le', 'in_color_matrix=bt709', '-c:v tiff -compression_algo lzw -pix_fmt rgb48le', '-an',
            '-start_number 0 -f image2',
        ],
    ],
    ['sd-disc-50', [], ['scale=w=720:h=576', 'setsar=64/45', '-c:v mpeg2video', '-g 15 -bf 2', '-flags:v +cgop', '-c:a ac3 -b:a 384000']],
    [
        'lanternwick-even@lanternwick',
        ['keyframes' => ['seconds' => 1, 'pyramid' => true, 'bFrames' => 3]],
        ['-g 25 -bf 3', 'b-pyramid=normal'],
    ],
    ['slow-line', [], ['-c:v libx265', '-crf 24', 'open-gop=0', '-tag:v hvc1', '-pix_fmt yuv420p10le']],
]);

it('fills a constant rate up, and no other', function (string $codec, array $padding) {
    foreach (['cbr' => true, 'vbr' => false] as $mode => $padded) {
        $arguments = implode(
            ' ',
            passes(Probes::mezzanine(), 'review-720', [
                'video' => ['codec' => $codec],
                'bitrate' => ['mode' => $mode, 'average' => ['kbps' => 3_000]],
            ])[0]->arguments,
        );
        foreach ($padding as $part) {
            expect(str_contains($arguments, $part))->toBe($padded, "{$mode}: {$part}");
        }
    }
})->with([['h264', ['nal-hrd=cbr', '-minrate 3000000']], ['hevc', ['strict-cbr=1', 'hrd=1', '-minrate 3000000']]]);

it('hands images over as their coders take them', function (array $probe, string $preset, array $edits, string $format) {
    expect(implode(' ', passes($probe, $preset, $edits)[0]->arguments))->toContain("-pix_fmt {$format} ");
})->with([
    '8 bits' => [Probes::plain(), 'frames-png', [], 'rgb24'],
    'more than 8 bits' => [Probes::mezzanine(), 'frames-png', ['video' => ['profile' => 'rgb16']], 'rgb48be'],
    'with a mask' => [Probes::plain(['pix_fmt' => 'yuva444p12le']), 'frames-png', ['video' => ['profile' => 'rgb16']], 'rgba64be'],
    'a mask in 8 bits' => [Probes::plain(['pix_fmt' => 'yuva444p12le']), 'frames-png', [], 'rgba'],
    'the other byte order' => [Probes::mezzanine(), 'frames-tiff-16', [], 'rgb48le'],
]);

it('gathers statistics first where two passes were planned, and writes in the second', function () {
    [$first, $second] = passes(Probes::mezzanine(), 'lanternwick-generous@lanternwick');
    expect([$first->writes, $second->writes, $first->weight + $second->weight])
        ->toBe([false, true, 100])
        ->and(implode(' ', $first->arguments))
        ->toContain('-pass 1', '-an -f null')
        ->and(implode(' ', $second->arguments))
        ->toContain('-pass 2');
});

it('filters only what the plan needs', function (array $probe, string $output, array $edits, array $wanted, array $unwanted) {
    $reading = Desk::reading($probe);
    $chain = FilterChain::of(Desk::plan($reading, $output, $edits), $reading);
    array_map(fn (string $part) => expect($chain)->toContain($part), $wanted);
    array_map(fn (string $part) => expect($chain)->not->toContain($part), $unwanted);
})->with([
    [
        Probes::mezzanine(),
        'lanternwick-even@lanternwick',
        [],
        ['scale=w=1280:h=720', 'format=yuv420p', 'setsar=1/1'],
        ['bwdif', 'tpad=', 'pad=', 'tonemap'],
    ],
    [
        Probes::tape(),
        'lanternwick-even@lanternwick',
        [],
        ['bwdif=mode=send_frame:parity=tff', 'scale=w=640:h=480', 'setfield=prog'],
        ['interl=1'],
    ],
    [Probes::tape(), 'lossless-vault', [], ['interl=1', 'setsar=8/9', 'setfield=tff'], ['bwdif']],
    [Probes::hdr(), 'platen-1080@platen', [], ['tonemap=', 'colorspace=bt709'], []],
    [Probes::plain(), 'review-720', ['frameSize' => ['exact' => '1080×1920']], ['scale=w=1080:h=608', 'pad=1080:1920'], []],
    [Probes::plain(['avg_frame_rate' => '15/1', 'height' => 720, 'width' => 1280]), 'lanternwick-even@lanternwick', [], ['fps=fps=30'], []],
]);

it('reads progress however it is cut', function () {
    $text = "frame=12\nfps=24.50\ntotal_size=4096\nprogress=continue\nframe=50\nfps=0.00\ntotal_size=N/A\nprogress=end\n";
    foreach ([1, 3, 7, 1000] as $length) {
        $reader = new ProgressReader;
        $reports = array_values(array_filter(array_map($reader->take(...), str_split($text, $length))));
        expect(end($reports))->toMatchObject(['frames' => 50, 'framesPerSecond' => null, 'bytes' => 0, 'ended' => true]);
    }
    expect((new ProgressReader)->take("garbage\n\n=\nframe=-3\nprogress=continue\n")->frames)->toBe(0);
});

it('tells an index of a 360 picture, and moves what lies behind it by as much', function (bool $mediaMoves, int $width) {
    $box = fn (string $type, string $content): string => pack('N', strlen($content) + 8).$type.$content;
    $places = [1_000, 2_000, 3_000];
    $offsets =
        $width === 4 ? $box('stco', pack('N2', 0, 3).pack('N3', ...$places)) : $box('co64', pack('N2', 0, 3).pack('J3', ...$places));
    $entry = $box('avc1', str_repeat("\0", 78).$box('avcC', 'configuration'));
    $track = fn (string $kind): string => $box(
        'trak',
        $box(
            'mdia',
            $box('hdlr', pack('N2', 0, 0).$kind).$box('minf', $box('stbl', $box('stsd', pack('N2', 0, 1).$entry).$offsets)),
        ),
    );
    $movie = $box('moov', $box('mvhd', 'header').$track('soun').$track('vide'));
    $added = $box('sv3d', 'sphere');
    $index = new MovieIndex($movie);
    $index->add($added, $mediaMoves);
    $after = $index->bytes();
    expect(strlen($after))
        ->toBe(strlen($movie) + strlen($added))
        ->and(unpack('N', $after)[1])
        ->toBe(strlen($after))
        // In the picture's entry alone, behind what was there.
        ->and(substr_count($after, 'sphere'))
        ->toBe(1)
        ->and(strpos($after, 'sphere'))
        ->toBeGreaterThan(strrpos($after, 'configuration'))
        ->and(unpack('N', $after, strrpos($after, 'avc1') - 4)[1])
        ->toBe(strlen($entry) + strlen($added));
    foreach ([strpos($after, $width === 4 ? 'stco' : 'co64'), strrpos($after, $width === 4 ? 'stco' : 'co64')] as $at) {
        expect(array_values(unpack($width === 4 ? 'N3' : 'J3', $after, $at + 12)))->toBe(
            array_map(fn (int $place): int => $place + ($mediaMoves ? strlen($added) : 0), $places),
        );
    }
})->with([[true, 4], [true, 8], [false, 4]]);

it('leaves an index alone that has no picture, or whose places would not fit', function () {
    $box = fn (string $type, string $content): string => pack('N', strlen($content) + 8).$type.$content;
    expect(fn () => (new MovieIndex($box('moov', $box('mvhd', 'x'))))->add('box', true))
        ->toThrow(InvalidArgumentException::class, 'no picture')
        ->and(fn () => (new MovieIndex($box('moov', $box('trak', $box('mdia', $box('hdlr', pack('N2', 0, 0).'vide'))))))->add('box', true))
        ->toThrow(InvalidArgumentException::class)
        ->and(fn () => (new MovieIndex(''))->add('box', true))
        ->toThrow(InvalidArgumentException::class);
});

it('mixes channels down by the coefficients of BS.775', function (string $layout, int $count, int $to, ?string $mix) {
    $track = new AudioReading(1, 'flac', 'FLAC', 48_000, $count, $layout, 24, null, null);
    expect(MixDown::filter($track, $to, 0.0))->toBe($mix === null ? null : "aformat=sample_fmts=fltp,pan={$mix}");
})->with([
    ['5.1', 6, 2, 'stereo|c0=1.00000*c0+0.70711*c2+0.70711*c4|c1=1.00000*c1+0.70711*c2+0.70711*c5'],
    ['5.1(side)', 6, 1, 'mono|c0=0.70711*c0+0.70711*c1+1.00000*c2+0.50000*c4+0.50000*c5'],
    ['7.1', 8, 2, 'stereo|c0=1.00000*c0+0.70711*c2+0.70711*c4+0.70711*c6|c1=1.00000*c1+0.70711*c2+0.70711*c5+0.70711*c7'],
    ['7.1', 8, 6, '5.1|c0=1.00000*c0|c1=1.00000*c1|c2=1.00000*c2|c3=1.00000*c3|c4=0.70711*c4+0.70711*c6|c5=0.70711*c5+0.70711*c7'],
    ['', 6, 2, 'stereo|c0=1.00000*c0+0.70711*c2+0.70711*c4|c1=1.00000*c1+0.70711*c2+0.70711*c5'],
    ['stereo', 2, 1, 'mono|c0=0.70711*c0+0.70711*c1'],
    ['stereo', 2, 2, null],
    ['mono', 1, 2, null],
    ['5.1', 6, 4, null],
]);

/** What rate control comes to, attempt by attempt, when an encoder of this kind is asked for a plan's average of 2 Mb/s; in Mb/s. */
function aimed(Closure $encoder, array $bitrate, float $seconds = 4): array
{
    $probe = Probes::plain(['nb_frames' => (string) (25 * $seconds), 'duration' => "{$seconds}"], [], ['duration' => "{$seconds}"]);
    $reading = Desk::reading($probe);
    $edits = ['bitrate' => $bitrate + ['average' => ['kbps' => 2000]], 'audio' => ['codec' => 'none']];
    $plan = Desk::plan($reading, 'lanternwick-even', $edits);
    $attempt = function (Bitrate $aim) use ($encoder, $reading, $seconds): Attempt {
        $tally = new PacketTally(0);
        $tally->take(new Packet(0, 0.0, 0.0, 0.04, (int) ($encoder($aim->bitsPerSecond) * $seconds / 8), true));

        return new Attempt($aim, new Made($reading, $tally, 'x', 1));
    };
    $attempts = [$attempt($plan->bitrate->average)];
    while (($next = (new Aim($plan))->next($attempts)) !== null) {
        $attempts[] = $attempt($next);
    }
    $came = fn (Attempt $one): float => round(8 * $one->made->tally->videoBytes / $seconds / 1_000_000, 2);

    return ['came' => array_map($came, $attempts), 'kept' => $came((new Aim($plan))->best($attempts))];
}

it('aims until two passes land, and keeps what came nearest', function (Closure $encoder, float $seconds, int $most, float $kept) {
    $aimed = aimed($encoder, ['mode' => 'vbr', 'passes' => 2], $seconds);
    expect(count($aimed['came']))->toBeLessThanOrEqual($most)->and(abs($aimed['kept'] / $kept - 1))->toBeLessThan(0.03);
})->with([
    'as asked' => [fn (int $aim): float => $aim * 1.02, 4, 1, 2.0],
    'always a third over' => [fn (int $aim): float => $aim * 1.33, 4, 2, 2.0],
    'half of what is asked for more' => [fn (int $aim): float => 3_000_000 * ($aim / 2_000_000) ** 0.5, 4, 4, 2.0],
    'a floor under it' => [fn (int $aim): float => max(2_600_000, $aim), 4, 5, 2.6],
    'it overshoots its mark' => [fn (int $aim): float => $aim < 2_000_000 ? $aim * 0.2 : $aim * 1.1, 4, 5, 2.2],
    'long, where once is enough' => [fn (int $aim): float => 3_000_000 * ($aim / 2_000_000) ** 0.5, 60, 2, 2.45],
]);

it('lets one pass come to what it comes to', function () {
    expect(aimed(fn (int $aim): float => $aim * 1.4, ['mode' => 'vbr', 'passes' => 1])['came'])->toBe([2.8]);
});

it('decodes as many frames of a finished file at once as cores and memory bear', function (array $size, int $cores, ?int $most) {
    $picture = Desk::reading(Probes::plain(array_combine(['width', 'height'], $size)))->mainVideo();
    $arguments = DecodeCommand::whole('/made.mp4', $picture, null, 1, $cores, null)->arguments;
    $at = array_search('-threads', $arguments, true);
    expect($at === false ? null : (int) $arguments[$at + 1])->toBe($most)
        // Of an input: before it, or an encoder would be told.
        ->and($at === false || $at < array_search('-i', $arguments, true))->toBeTrue();
})->with([
    'two cores' => [[1920, 1080], 2, 8],
    'one' => [[320, 180], 1, 6],
    'many' => [[3840, 2160], 32, 16],
    'larger than UHD' => [[4096, 2160], 8, null],
]);

it('measures how loud a file is in the same decoding, in the layout that its channels have', function (?int $channels, ?string $meter) {
    $picture = Desk::reading(Probes::plain())->mainVideo();
    $filters = array_values(preg_grep('~ebur128~', DecodeCommand::whole('/made.mp4', $picture, null, 1, 2, $channels)->arguments));
    expect(array_map(fn (string $filter): string => strtok($filter, '='), $filters))->toBe($meter === null ? [] : [$meter]);
})->with(['not listened to' => [null, null], 'stereo' => [2, 'ebur128'], 'six' => [6, 'aformat']]);
