<?php

use OuterCrate\Formats\Video\H264;
use OuterCrate\Json\Fields;
use OuterCrate\Measures\GreyPicture;
use OuterCrate\Planning\Cells\Bitrate\CompareBitrate;
use OuterCrate\Planning\Cells\FrameSize\CompareFrameSize;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Reading\RateBuffer;
use OuterCrate\Slips\Comparison;
use OuterCrate\Slips\HashLists\C4;
use OuterCrate\Slips\Sameness;
use OuterCrate\Slips\Shift;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use Tests\Support\Desk;
use Tests\Support\Probes;

function tally(int $frames = 313, int $bytes = 24_000, int $every = 50, int $sound = 1600, float $held = 0): PacketTally
{
    $tally = new PacketTally(0);
    for ($i = 0; $i < $frames; $i++) {
        $time = round($i / 25 + ($i > 0 ? $held : 0), 6);
        $tally->take(new Packet(0, $time, $time, 0.04, $bytes, $i % $every === 0));
        $tally->take(new Packet(1, $time, $time, 0.02, $sound, true));
    }

    return $tally;
}

/** The upload of the mezzanine cut as it should come out, with something changed. */
function made(array $video = [], array $audio = [], array $format = []): array
{
    return Probes::plain(
        ['width' => 1280, 'height' => 720, 'level' => 31, 'nb_frames' => '313', 'duration' => '12.520000', ...$video],
        [$audio],
        ['duration' => '12.520000', ...$format],
    );
}

it('reads a line of the prober, and nothing else', function (string $line, ?Packet $expected) {
    expect(Packet::ofLine($line))->toEqual($expected);
})->with([
    'a keyframe' => ['0,0.040000,0.000000,0.040000,1200,K__', new Packet(0, 0.04, 0.0, 0.04, 1200, true)],
    'no time of showing' => ['2,N/A,0.5,N/A,7,___', new Packet(2, null, 0.5, null, 7, false)],
    'before an edit' => ['0,-1.000000,-1.080000,0.040000,900,KD_', new Packet(0, -1.0, -1.08, 0.04, 900, true, true)],
    'garbage' => ['N/A,garbage', null],
    'nothing' => ['', null],
]);

it('counts packets', function () {
    $tally = tally();
    expect($tally)->toMatchObject([
        'frames' => 313,
        'keyframes' => 7,
        'longestGap' => 50,
        'videoBytes' => 313 * 24_000,
        'audioBytes' => 313 * 1600,
        'fullestSecond' => 25 * 24_000,
    ]);
});

it('finds the fullest second wherever it lies', function () {
    $tally = new PacketTally(0);
    foreach (range(0, 19_999) as $i) {
        $tally->take(new Packet(0, null, round($i / 50, 6), null, $i >= 9_020 && $i < 9_070 ? 1000 : 10, false));
    }
    expect($tally->fullestSecond)->toBe(50_000);
});

it('replays the buffer of a decoder as every window of the stream has it', function (int $seed) {
    mt_srand($seed);
    $sizes = array_map(fn (): int => mt_rand(0, 9) === 0 ? mt_rand(4_000, 40_000) : mt_rand(100, 4_000), range(1, 200));
    $buffer = new RateBuffer(new Bitrate(900_000), new Fraction(1, 25));
    array_map($buffer->take(...), $sizes);
    $most = 0;
    foreach (array_keys($sizes) as $from) {
        for ($to = $from, $bits = 0; $to < count($sizes); $to++) {
            $bits += 8 * $sizes[$to];
            $most = max($most, $bits - 900_000 * ($to - $from) / 25);
        }
    }
    expect($buffer->needed)->toBe((int) round($most));
})->with([1, 2, 3]);

it('tells a picture that needs no more from rate control that fell short', function (array $plan, ?array $quantisers, string $says) {
    $lines = array_map(fn (float $q): string => "out=  0 st=  0 frame=     1 q= {$q} f_size=   2175 s_size= 5kB", $quantisers ?? []);
    $reading = (new ProbeReader)->read(made(), 7_900_000, true);
    $made = new Made($reading, tally(313, 12_000), 'x', 313, Quantisers::of($lines, (new H264)->quality()));
    $planned = new Fields($plan + ['mode' => 'vbr', 'average' => 4_800_000]);
    $texts = array_column(CompareBitrate::differences($planned, $made), 'text');
    expect(str_replace("\u{2009}", ' ', $texts))->toBe([$says]);
})->with([
    [
        ['passes' => 2],
        [-1, 1, 4, 0],
        'The picture needed only 2.4 Mb/s of the 4.8 Mb/s planned: it was coded as finely as the codec can (mean quantiser 1.3).',
    ],
    [
        ['passes' => 2],
        [18, 24],
        'Rate control came to 2.4 Mb/s of the 4.8 Mb/s planned, though the picture could have used more (mean quantiser 21).',
    ],
    [
        ['passes' => 1],
        null,
        'The picture runs at 2.4 Mb/s, under the 4.8 Mb/s planned. Rate control learns as it goes in one pass; two land nearer.',
    ],
]);

it('finds nothing where the file is what was planned, and names each thing that is not', function (
    array $made,
    ?PacketTally $tally,
    array $cells,
) {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine(), 186_000_000), 'lanternwick-even@lanternwick', [
        'bitrate' => ['average' => ['kbps' => 4800], 'peak' => ['kbps' => 9000]],
    ]);
    $frozen = json_decode(json_encode($plan->toArray()), true);
    $fastStart = ($made['late'] ?? false) !== true;
    $found = (new OuterCrate\Reading\ProbeReader())->read($made, 7_900_000, $fastStart);
    $differences = (new Comparison(new Cells))->differences($frozen, new Made($found, $tally ?? tally(), 'x.mp4', $frozen['frames']));
    expect(array_map(fn ($difference): string => $difference->cell, $differences))->toBe($cells);
})->with([
    'as planned' => [made(), null, []],
    'one frame more' => [made(), tally(314), ['frameRate']],
    'one frame less' => [made(), tally(312), ['frameRate']],
    'a frame held for two' => [made(), tally(held: 0.04), ['frameRate']],
    'milliseconds' => [made(), tally(held: 0.001), []],
    'frames lost' => [made(), tally(300), ['frameRate']],
    'another codec' => [made(['codec_name' => 'hevc', 'profile' => 'Main']), null, ['video']],
    'a higher level' => [made(['level' => 40]), null, ['video']],
    'another size' => [made(['width' => 1278]), null, ['frameSize']],
    'another rate' => [made(['avg_frame_rate' => '24/1']), null, ['frameRate']],
    'fields' => [made(['field_order' => 'tt']), null, ['frameRate']],
    'tags lost' => [made(['color_primaries' => null]), null, ['colour']],
    'too many bits' => [made(), tally(313, 30_000), ['bitrate']],
    'bits not needed' => [made(), tally(313, 12_000), ['bitrate']],
    'keyframes far apart' => [made(), tally(313, 24_000, 120), ['keyframes']],
    'sound that needs less' => [made(), tally(sound: 1200), ['audio']],
    'another sample rate' => [made(audio: ['sample_rate' => '44100']), null, ['audio']],
    'index at the end' => [made() + ['late' => true], null, ['container']],
    'another container' => [made(format: ['format_name' => 'matroska,webm']), null, ['container']],
]);

it('says when a file passed the size that it was to stay under', function (int $target, array $cells) {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine(), 186_000_000), 'lanternwick-even@lanternwick', [
        'bitrate' => ['average' => ['bytes' => $target]],
    ]);
    $found = (new OuterCrate\Reading\ProbeReader())->read(made(), 7_900_000, true);
    $frozen = json_decode(json_encode($plan->toArray()), true);
    $differences = array_values(
        array_filter(
            (new Comparison(new Cells))->differences($frozen, new Made($found, tally(), 'x.mp4', $frozen['frames'])),
            fn ($difference): bool => str_starts_with($difference->text, 'The file came to'),
        ),
    );
    expect(array_map(fn ($difference): string => $difference->cell, $differences))->toBe($cells);
})->with([[7_899_999, ['bitrate']], [7_900_000, []]]);

it('holds the shape of a pixel to what its container can tell', function (string $format, string $shape, bool $same) {
    $made = new Made(
        Desk::reading(Probes::plain(
            ['width' => 720, 'height' => 480, 'sample_aspect_ratio' => $shape],
            format: ['format_name' => $format],
        )),
        tally(),
        'x',
        313,
    );
    $planned = new Fields(['width' => 720, 'height' => 480, 'sampleAspect' => '32/27', 'label' => '720×480']);
    expect(CompareFrameSize::differences($planned, $made) === [])->toBe($same);
})->with([
    'as planned' => ['mov,mp4,m4a,3gp,3g2,mj2', '32:27', true],
    'another in MP4' => ['mov,mp4,m4a,3gp,3g2,mj2', '853:720', false],
    'shown 853 wide in Matroska' => ['matroska,webm', '853:720', true],
    'shown 852 wide in Matroska' => ['matroska,webm', '852:720', false],
]);

/** A little picture of a bar that moves a pixel a frame, graded as said. */
function moving(int $frame, float $contrast = 1, int $brightness = 0): GreyPicture
{
    $row = fn (int $x): int => (int) min(255, $brightness + $contrast * ($x >= $frame && $x < $frame + 4 ? 200 : 20));

    return new GreyPicture(str_repeat(implode('', array_map(fn (int $x): string => chr($row($x)), range(0, 31))), 18));
}

it('tells by how many frames a picture lies beside its place', function (GreyPicture $made, array $due, int $shift) {
    expect(Shift::of($made, array_map(fn (int $i): GreyPicture => moving($i), range(0, 20)), $due))->toBe($shift);
})->with([
    'as planned' => [moving(7), [7, 7], 0],
    'in another grade' => [moving(7, 0.6, 40), [7, 7], 0],
    'later' => [moving(9), [7, 7], 2],
    'earlier, in another grade' => [moving(6, 0.6, 40), [7, 7], -1],
    'between two that are due' => [moving(8), [7, 8], 0],
    'beside two that are due' => [moving(10), [7, 8], 2],
    'a picture of nothing' => [moving(40), [7, 7], 0],
]);

it('cannot tell where nothing moves', function () {
    expect(Shift::of(moving(3), array_fill(0, 10, moving(3)), [7, 7]))->toBe(0)->and(Shift::of(moving(3), [], [0, 0]))->toBe(0);
});

it('names content after what it sums up to, as others do', function () {
    // Of nothing and of three letters (published with the C4 framework).
    expect(C4::of(''))->toBe('c459dsjfscH38cYeXXYogktxf4Cd9ibshE3BHUo6a58hBXmRQdZrAkZzsWcbWtDg5oQstpDuni4Hirj75GEmTc1sFT')
        ->and(C4::of('foo'))->toBe('c45xZeXwMSpqXjpDumcHMA6mhoAmGHkUo7r9WmN2UgSEQzj9KjgseaQdkEJ11fGb5S1WEENcV3q8RFWwEeVpC7Fjk2');
});

it('looks for the picture least like the cut, from the first to the last', function () {
    $ramp = fn (int $from): GreyPicture => new GreyPicture(implode('', array_map(chr(...), range($from, $from + 127))));
    $flat = new GreyPicture(str_repeat("\x10", 128));
    $noise = new GreyPicture(implode('', array_map(fn (int $i): string => chr(($i * 73) % 128), range(0, 127))));
    $sameness = new Sameness;
    $sameness->look(3, $ramp(100), [$ramp(0)]);
    // Another brightness is no other picture.
    expect($sameness->least)->toEqualWithDelta(1.0, 0.01);
    $sameness->look(5, $noise, [$noise, $ramp(0)]);
    $sameness->look(7, $ramp(0), [$flat]);
    $sameness->look(8, $flat, [$ramp(0), $flat]);
    expect($sameness->looked)->toBe(2)->and($sameness->at)->toBe(3);
    $sameness->look(9, $flat, [$ramp(0)]);
    expect($sameness->least)->toBeLessThan(0.1)->and($sameness->at)->toBe(9)
        ->and(Sameness::places(100))->toHaveCount(24)
        ->and(Sameness::places(100)[23])->toBe(99)
        ->and(Sameness::places(2))->toBe([0, 1])
        ->and(Sameness::places(1))->toBe([0]);
});
