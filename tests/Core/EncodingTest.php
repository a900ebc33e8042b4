<?php

use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\FilterChain;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\ProgressReader;
use Tests\Support\Desk;
use Tests\Support\Probes;

function passes(array $probe, string $output, array $edits = []): array
{
    $reading = Desk::reading($probe);

    return (new PassBuilder(new Encoders))->passes(Desk::plan($reading, $output, $edits), $reading);
}

it('asks the engine for what was planned', function (string $output, array $edits, array $wanted) {
    $arguments = implode(' ', array_merge(...array_map(fn ($pass): array => $pass->arguments, passes(Probes::mezzanine(), $output, $edits))));
    foreach ($wanted as $part) {
        expect($arguments)->toContain($part);
    }
})->with([
    ['archive-10-bit', [], ['-c:v prores -profile:v 3', '-pix_fmt yuv422p10le', '-c:a pcm_s24le', '-movflags +write_colr', '-map_metadata 0', '-f mov']],
    ['archive-10-bit', ['picture' => ['effort' => 'slow']], ['-c:v prores_ks']],
    ['lossless-vault', [], ['-c:v ffv1 -level:v 3 -g 1', '-slicecrc 1', '-c:a flac -sample_fmt s32 -bits_per_raw_sample 24', '-f matroska']],
    ['lanternwick-even@lanternwick', [], ['-profile:v high -level:v 3.1 -b:v 5500000 -maxrate 8250000 -bufsize 8250000 -g 50 -bf 2', 'open-gop=0:b-pyramid=none', '-movflags +write_colr+faststart', '-map_metadata -1', '-b:a 320000 -ar 48000 -ac 2']],
    ['lanternwick-even@lanternwick', ['rate' => ['mode' => 'cbr']], ['-minrate 5500000', 'nal-hrd=cbr']],
    ['slow-line', [], ['-c:v libx265', '-crf 24', 'open-gop=0', '-tag:v hvc1', '-pix_fmt yuv420p10le']],
]);

it('gathers statistics first where two passes were planned, and writes in the second', function () {
    [$first, $second] = passes(Probes::mezzanine(), 'lanternwick-generous@lanternwick');
    expect([$first->writes, $second->writes, $first->weight + $second->weight])->toBe([false, true, 100])
        ->and(implode(' ', $first->arguments))->toContain('-pass 1', '-an -f null')
        ->and(implode(' ', $second->arguments))->toContain('-pass 2');
});

it('filters only what the plan needs', function (array $probe, string $output, array $edits, array $wanted, array $unwanted) {
    $reading = Desk::reading($probe);
    $chain = FilterChain::of(Desk::plan($reading, $output, $edits), $reading);
    array_map(fn (string $part) => expect($chain)->toContain($part), $wanted);
    array_map(fn (string $part) => expect($chain)->not->toContain($part), $unwanted);
})->with([
    [Probes::mezzanine(), 'lanternwick-even@lanternwick', [], ['scale=w=1280:h=720', 'format=yuv420p', 'setsar=1/1'], ['bwdif', 'fps=', 'pad=', 'tonemap']],
    [Probes::tape(), 'lanternwick-even@lanternwick', [], ['bwdif=mode=send_frame:parity=tff', 'scale=w=640:h=480', 'setfield=prog'], ['interl=1']],
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
