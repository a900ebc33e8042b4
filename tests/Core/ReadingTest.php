<?php

use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Reading\FileStructure;
use OuterCrate\Reading\Packets\FrameGaps;
use OuterCrate\Reading\Packets\FrameOrder;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\SettledRate;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use Tests\Support\Probes;

function stream(string $bytes)
{
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $bytes);

    return $stream;
}

function box(string $type, string $content): string
{
    return pack('N', strlen($content) + 8).$type.$content;
}

function structure(string $bytes): FileStructure
{
    return FileStructure::of(stream($bytes), strlen($bytes));
}

it('reads a 10-bit mezzanine', function () {
    $reading = (new ProbeReader)->read(Probes::mezzanine(), 186_000_000, false);
    $array = $reading->toArray();
    expect($array)
        ->toMatchArray(['container' => 'mov', 'duration' => '313/25', 'bytes' => 186_000_000])
        ->and($array['video'][0])
        ->toMatchArray([
            'codec' => 'prores',
            'label' => 'ProRes 422 HQ',
            'frameRate' => '25',
            'bitDepth' => 10,
            'chroma' => '4:2:2',
            'frames' => 313,
            'displayAspect' => '16:9',
        ])
        ->and($array['audio'][0])
        ->toMatchArray(['label' => "PCM 24 · 48\u{2009}kHz", 'bitDepth' => 24]);
});

it('reads tape: fields, pixel shape, spoken rate', function () {
    $video = (new ProbeReader)->read(Probes::tape(), 5_000_000, null)->mainVideo();
    expect($video->scan)
        ->toBe(Scan::TopFieldFirst)
        ->and((string) $video->displaySize())
        ->toBe('640×480')
        ->and((string) $video->displayAspect())
        ->toBe('4/3')
        ->and((string) $video->frameRate)
        ->toBe('30000/1001')
        ->and($video->frames)
        ->toBe(180);
});

it('turns a rotated picture upright', function () {
    $probe = Probes::plain(['side_data_list' => [['side_data_type' => 'Display Matrix', 'rotation' => -90]]]);
    $video = (new ProbeReader)->read($probe, 1000, true)->mainVideo();
    expect($video->rotation)->toBe(90)->and((string) $video->displaySize())->toBe('180×320');
});

it('trusts the times of the frames over the header', function () {
    $uneven = array_map(fn (int $i): float => $i / 30 + ($i % 3 === 0 ? 0.013 : 0), range(0, 60));
    $rounded = array_map(fn (int $i): float => round(($i * 1001) / 30000, 3), range(0, 60));
    $oneGap = [...array_map(fn (int $i): float => $i / 25, range(0, 100)), 9.0];
    $heldFirst = [0.0, ...array_map(fn (int $i): float => 0.5 + $i / 25, range(0, 100))];
    expect((new FrameGaps($uneven))->areVariable())
        ->toBeTrue()
        ->and((new FrameGaps($rounded))->areVariable())
        ->toBeFalse()
        ->and((new FrameGaps(array_reverse($rounded)))->areVariable())
        ->toBeFalse()
        ->and((new FrameGaps($oneGap))->areVariable())
        ->toBeFalse()
        ->and((new FrameGaps($heldFirst))->areVariable())
        ->toBeFalse()
        ->and((new FrameGaps([0.0, 1.0]))->areVariable())
        ->toBeFalse();
});

it('settles on the rate that a gap stands for', function (float $gap, float $rounding, array $stated, string $expected) {
    expect((string) SettledRate::of($gap, $rounding, array_map(Fraction::parse(...), $stated)))->toBe($expected);
})->with([
    'a phone’s clock' => [1 / 30.01, 0.0, ['90000/2999', '410000/15179'], '30'],
    'between film and its broadcast rate' => [1 / 23.98, 0.0, [], '24000/1001'],
    'a short clip in milliseconds, told right' => [0.0417, 0.001 / 20, ['24', '24'], '24'],
    'what is stated lies too far off' => [1 / 25, 0.0, ['24', '26'], '25'],
    'an old program' => [0.125, 0.0, ['8'], '8'],
    'half of 29.97' => [1001 / 15_000, 0.0, ['15000/1001', '15000/1001'], '15000/1001'],
    'five frames of 12 in milliseconds' => [0.0835, 0.001 / 4, ['12', '12'], '12'],
    'three frames of 14.985 in milliseconds' => [0.0665, 0.001 / 2, ['15000/1001', '15000/1001'], '15000/1001'],
    'half of 30' => [1 / 15, 0.00001, ['15', '15'], '15'],
    'a rate of no one' => [0.083, 0.00001, ['12', '12'], '1000/83'],
    'stated, and of no one' => [1 / 29.9167, 0.0, ['359/12'], '359/12'],
    'a header without sense' => [1 / 18, 0.0, ['90000', '0'], '18'],
]);

it('counts a frame for as long as it is held', function (array $times, ?float $lasts, int $frames, int $length, string $clock) {
    $order = new FrameOrder;
    foreach ($times as $i => $time) {
        $order->take($time, $i === 0, $i === count($times) - 1 ? $lasts : 0.04, $i * 0.04);
    }
    expect($order->times()->frames)
        ->toBe($frames)
        ->and($order->times()->length(FrameRate::of(25)))
        ->toBe($length)
        ->and($order->times()->clock()->value)
        ->toBe($clock);
})->with([
    'even' => [[0.0, 0.04, 0.08, 0.12], 0.04, 4, 4, 'told'],
    'its first frame held' => [[0.0, 0.2, 0.24, 0.28], 0.04, 4, 8, 'told'],
    'its last frame held' => [[0.0, 0.04, 0.08, 0.12], 1.0, 4, 28, 'told'],
    'a last frame that lasts for nothing' => [[0.0, 0.04, 0.08, 0.12], 0.0, 4, 4, 'told'],
    'one that never came' => [[0.0, 0.04, 0.12, 0.16], 0.04, 4, 5, 'told'],
    'no times' => [[null, null, null, null], 0.04, 4, 4, 'counted'],
    'every other one without a time' => [[0.0, null, 0.08, null], 0.04, 4, 4, 'told'],
    'two at a time' => [[0.0, 0.0, 0.04, 0.04], 0.04, 4, 4, 'broken'],
]);

it('takes a rate rounded by its container for the broadcast rate it stands for', function (string $stated, string $expected) {
    expect((string) (new ProbeReader)->read(Probes::plain(['avg_frame_rate' => $stated]), 1000, null)->mainVideo()->frameRate)->toBe(
        $expected,
    );
})->with([['19001/634', '30000/1001'], ['2997/100', '30000/1001'], ['25/1', '25'], ['12/1', '12'], ['359/12', '359/12']]);

it('refuses what is no cut, with the reason', function (array $probe, string $reason) {
    try {
        (new ProbeReader)->read($probe, 1000, null);
        $this->fail('It was read.');
    } catch (Unreadable $e) {
        expect($e->id())->toBe($reason);
    }
})->with([
    'sound only' => [['streams' => [['codec_type' => 'audio', 'sample_rate' => '48000']]], 'no-video'],
    'cover picture only' => [Probes::plain(['disposition' => ['attached_pic' => 1]]), 'no-video'],
    'no size' => [Probes::plain(['width' => 0]), 'cut-short'],
    'absurd size' => [Probes::plain(['width' => 100_000]), 'too-large-to-be-true'],
    'absurd rate' => [Probes::plain(['avg_frame_rate' => '90000/1', 'r_frame_rate' => '90000/1']), 'too-large-to-be-true'],
    'a million streams' => [['streams' => array_fill(0, 1000, ['codec_type' => 'video'])], 'too-large-to-be-true'],
    'nothing' => [[], 'no-video'],
]);

it('sees the order and the completeness of boxes', function () {
    $index = box('moov', str_repeat('x', 40));
    $media = box('mdat', str_repeat('y', 400));
    $large = pack('N', 1).'mdat'.pack('J', 10_000).'short';
    expect(structure(box('ftyp', 'isom').$index.$media)->fastStart)
        ->toBeTrue()
        ->and(structure(box('ftyp', 'isom').$media.$index)->fastStart)
        ->toBeFalse()
        ->and(structure(box('ftyp', 'isom').$media)->indexMissing)
        ->toBeTrue()
        ->and(structure(substr(box('ftyp', 'isom').$index.$media, 0, -100))->expectedBytes)
        ->toBe(468)
        ->and(structure(box('ftyp', 'isom').$index.$large)->expectedBytes)
        ->toBe(12 + 48 + 10_000)
        // 64 bits of length that reach beyond what a number holds, and one that is below 0 there.
        ->and(structure(box('ftyp', 'isom').$index."\0\0\0\1mdat\x7F".str_repeat("\xFF", 7).'rest')->expectedBytes)
        ->toBe(PHP_INT_MAX)
        ->and(structure(box('ftyp', 'isom').$index."\0\0\0\1mdat".str_repeat("\xFF", 8).'rest')->expectedBytes)
        ->toBe(PHP_INT_MAX)
        ->and(structure("RIFF\x10\x27\x00\x00AVI LIST")->expectedBytes)
        ->toBe(10_008)
        ->and(structure("\x1A\x45\xDF\xA3\x81x\x18\x53\x80\x67\x41\x00rest")->expectedBytes)
        ->toBe(6 + 4 + 2 + 256)
        ->and(structure("\x1A\x45\xDF\xA3\x81x\x18\x53\x80\x67\x01\xFF\xFF\xFF\xFF\xFF\xFF\xFFrest")->expectedBytes)
        ->toBeNull();
});

it('knows lists that point elsewhere', function (string $text) {
    expect(structure($text)->playlist)->toBeTrue();
})->with([
    "#EXTM3U\n/etc/passwd", "\xEF\xBB\xBF#EXTM3U", "ffconcat version 1.0\nfile x", "[playlist]\nFile1=x",
    '<?xml version="1.0"?><MPD>', '<smil><body/></smil>',
]);

it('survives any bytes, quickly and without growing', function () {
    mt_srand(20261124);
    $good = box('ftyp', 'isom').box('moov', random_bytes(300)).box('mdat', random_bytes(300));
    $before = memory_get_usage();
    for ($i = 0; $i < 2000; $i++) {
        $bytes = substr($good, 0, mt_rand(0, strlen($good)));
        for ($flips = mt_rand(0, 12); $flips > 0 && $bytes !== ''; $flips--) {
            $bytes[mt_rand(0, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
        }
        structure($bytes);
        try {
            (new ProbeReader)->read(Probes::damaged($i), 1000, null);
        } catch (Unreadable) {
        }
    }
    expect(memory_get_usage() - $before)->toBeLessThan(2_000_000);
});
