<?php

use OuterCrate\Analysis\Bars;
use OuterCrate\Analysis\BlackSpans;
use OuterCrate\Analysis\Curves;
use OuterCrate\Analysis\EdgeSample;
use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\FieldSample;
use OuterCrate\Analysis\Leftover;
use OuterCrate\Analysis\Loudness;
use OuterCrate\Analysis\Measure;
use OuterCrate\Analysis\Notices;
use OuterCrate\Analysis\RepeatedFrames;
use OuterCrate\Analysis\Segment;
use OuterCrate\Analysis\Series;
use OuterCrate\Analysis\Silence;
use OuterCrate\Analysis\Span;
use OuterCrate\Analysis\StillSpans;
use OuterCrate\Encoding\Commands\Viewing;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;
use Tests\Support\Desk;
use Tests\Support\Probes;

/** Facts of one measure or more, from values in order. */
function facts(array $series): Facts
{
    $facts = new Facts;
    foreach ($series as $name => $values) {
        array_map($facts->of(Measure::from($name))->add(...), $values);
    }

    return $facts;
}

/** Film (F), black (B) and stray footage in seconds at 25 fps, with silence in the gaps or not. */
function film(string $pattern): Leftover
{
    $black = [];
    $at = 0;
    foreach (explode(' ', $pattern) as $part) {
        $frames = (int) round(25 * (float) substr($part, 1));
        if ($part[0] === 'B' || $part[0] === 'L') {
            $black[] = [new Span($at, $at + $frames - 1), $part[0] === 'B'];
        }
        $at += $frames;
    }

    return Leftover::in(
        $at,
        FrameRate::of(25),
        array_column($black, 0),
        array_column(array_filter($black, fn (array $b): bool => $b[1]), 0),
        true,
    );
}

it('tells what was left behind from what belongs', function (string $pattern, array $leftover, ?array $range, ?string $reason) {
    $found = film($pattern);
    expect(array_map(fn (Span $span): array => [$span->firstFrame, $span->lastFrame], $found->spans))
        ->toBe($leftover)
        ->and($found->suggested === null ? null : [$found->suggested->first, $found->suggested->last])
        ->toBe($range)
        ->and($found->reason)
        ->toBe($reason);
})->with([
    'nothing' => ['F60', [], null, null],
    'a scrap after a gap' => ['F60 B1 F1', [[1525, 1549]], [0, 1499], 'footage after a gap'],
    'scraps after two gaps' => ['F60 B1 F1 B1 F2', [[1525, 1549], [1575, 1624]], [0, 1499], 'footage after a gap'],
    'a scrap, then black to the end' => ['F60 B1 F1 B2', [[1525, 1549]], [0, 1499], 'footage after a gap'],
    'black at the end only' => ['F60 B2', [], [0, 1499], 'black at the end'],
    'black at both ends' => ['B1 F60 B2', [], [25, 1524], 'black at the end and black at the beginning'],
    'a dip to black between two acts' => ['F30 B1 F30', [], null, null],
    'a short dip near the end' => ['F60 B0.2 F1', [], null, null],
    'an end after credits, with music through the gap' => ['F60 L1 F10', [], null, null],
    'a long tail is a part of the film' => ['F60 B1 F40', [], null, null],
]);

it('never suggests a range outside the cut, nor one that is empty', function () {
    mt_srand(7);
    for ($i = 0; $i < 500; $i++) {
        $parts = array_map(fn (): string => ['F', 'B', 'L'][mt_rand(0, 2)].mt_rand(1, 80) / 10, range(1, mt_rand(1, 8)));
        $frames = array_sum(array_map(fn (string $part): int => (int) round(25 * (float) substr($part, 1)), $parts));
        $found = film(implode(' ', $parts));
        if ($found->suggested !== null) {
            expect($found->suggested->first)->toBeGreaterThanOrEqual(0)->and($found->suggested->last)->toBeLessThan($frames);
        }
        foreach ($found->spans as $span) {
            expect($span->firstFrame)
                ->toBeGreaterThan($found->suggested->last)
                ->and($span->lastFrame)
                ->toBeLessThan($frames)
                ->and($span->count())
                ->toBeGreaterThan(0);
        }
    }
});

it('finds black, but no dark scene and no single black frame', function () {
    $frames = [
        ...array_fill(0, 20, [40, 200]),
        [0, 0],
        ...array_fill(0, 10, [40, 200]),
        ...array_fill(0, 10, [1, 3]),
        ...array_fill(0, 10, [4, 40]),
    ];
    $facts = facts(['mean' => array_column($frames, 0), 'brightest' => array_column($frames, 1)]);
    expect(array_map(fn (Span $span): array => [$span->firstFrame, $span->lastFrame], BlackSpans::in($facts, FrameRate::of(25))))->toBe([
        [31, 40],
    ]);
});

it('takes a picture for still after a second, black apart', function () {
    $still = [...array_fill(0, 30, 0), ...array_fill(0, 30, 1), ...array_fill(0, 5, 0), ...array_fill(0, 10, 1)];
    $facts = facts(['mean' => array_fill(0, 75, 90), 'brightest' => array_fill(0, 75, 200), 'still' => $still]);
    expect(array_map(fn (Span $span): array => [$span->firstFrame, $span->lastFrame], StillSpans::in($facts, FrameRate::of(25))))->toBe([
        [29, 59],
    ]);
    $dark = facts(['mean' => array_fill(0, 75, 0), 'brightest' => array_fill(0, 75, 0), 'still' => $still]);
    expect(StillSpans::in($dark, FrameRate::of(25)))->toBe([]);
});

it('sees silence in frames of the picture', function () {
    $level = [...array_fill(0, 40, -20), ...array_fill(0, 20, -75), ...array_fill(0, 40, -20)];
    $facts = facts([
        'mean' => array_fill(0, 150, 90),
        'peak' => array_fill(0, 100, 0.1),
        'level' => array_map(fn (int $db): int => $db + Measure::LIFT, $level),
    ]);
    expect(array_map(fn (Span $span): array => [$span->firstFrame, $span->lastFrame], Silence::in($facts, FrameRate::of(30000, 1001))))
        ->toBe([[60, 88]])
        ->and(Silence::in(facts(['mean' => [1, 2]]), FrameRate::of(25)))
        ->toBe([]);
});

it('finds bars that stay, and no dark corner', function () {
    $bar = str_repeat("\0", 20).str_repeat(chr(120), 140).str_repeat("\2", 20);
    $corner = implode('', array_map(fn (int $i): string => chr((int) min(200, $i / 4)), range(0, 179)));
    expect(EdgeSample::bars($bar))
        ->toBe([20, 20])
        ->and(EdgeSample::bars($corner)[0])
        ->toBe(0)
        ->and(EdgeSample::bars(str_repeat("\1", 180)))
        ->toBeNull();
    $bars = Bars::in(
        facts([
            'top' => [Measure::BLACK_FRAME, 20, 24, 20],
            'bottom' => [Measure::BLACK_FRAME, 20, 20, 0],
            'left' => [Measure::BLACK_FRAME, 1, 1, 1],
            'right' => [0],
        ]),
    );
    expect($bars->toArray())
        ->toBe(['top' => 20, 'bottom' => 0, 'left' => 0, 'right' => 0])
        ->and($bars->label())
        ->toBe("20\u{2009}px top");
});

it('tells the rhythm in which frames repeat', function (array $pattern, ?string $label) {
    $difference = [0.0];
    for ($i = 0; $i < 300; $i++) {
        $difference[] = $pattern[$i % count($pattern)] === 0 ? 0.02 : 2.0 + ($i % 7) / 10;
    }
    expect(RepeatedFrames::in(facts(['mean' => array_fill(0, 301, 90), 'difference' => $difference]))?->label(FrameRate::of(30)))->toBe(
        $label,
    );
})->with([
    'every frame is new' => [[1], null],
    'every second' => [[1, 0], '15 in 30: 1 of every 2 frames repeat'],
    'one in three' => [[1, 1, 0], '20 in 30: 1 of every 3 frames repeat'],
    'one in five' => [[1, 1, 1, 1, 0], '24 in 30: 1 of every 5 frames repeat'],
    'two in three' => [[1, 0, 0], '10 in 30: 2 of every 3 frames repeat'],
]);

it('says nothing of repeats in a still', function () {
    expect(RepeatedFrames::in(facts(['mean' => array_fill(0, 120, 90), 'difference' => array_fill(0, 120, 0.01)])))->toBeNull();
});

it('gates loudness as the standards say', function () {
    $lufs = fn (array $values): array => array_map(fn (float $value): float => $value + Measure::LIFT, $values);
    // Tech 3341, case 3: −36 LUFS for 10 s, −23 for 60 s, −36 for 10 s: the quiet ends do not count.
    $blocks = [...array_fill(0, 100, -36.0), ...array_fill(0, 600, -23.0), ...array_fill(0, 100, -36.0)];
    $facts = facts(['momentary' => $lufs($blocks), 'shortTerm' => $lufs($blocks), 'peak' => [0.1], 'level' => [180]]);
    $facts->truePeak = 0.5;
    $loudness = Loudness::in($facts);
    expect($loudness->integrated)
        ->toBe(-23.0)
        ->and($loudness->truePeak)
        ->toBe(-6.0)
        ->and(count($loudness->shortTerm))
        ->toBe(80);
    // Tech 3342, case 1: −20 then −30 LUFS, twenty seconds each: a range of 10 LU.
    $blocks = [...array_fill(0, 200, -20.0), ...array_fill(0, 200, -30.0)];
    expect(Loudness::in(facts(['momentary' => $lufs($blocks), 'shortTerm' => $lufs($blocks), 'peak' => [0.1]]))->range)->toBe(10.0);
    $silent = Loudness::in(facts(['momentary' => $lufs([-120.0]), 'shortTerm' => $lufs([-120.0]), 'peak' => [0.0]]));
    expect($silent->integrated)->toBeNull()->and($silent->truePeak)->toBeNull()->and(Loudness::in(new Facts))->toBeNull();
});

it('tells fields apart where something moves', function (array $times, int $expected) {
    // A ramp that wanders: the value of a pixel tells when its field was scanned.
    $frame = function (int $number) use ($times): string {
        $rows = '';
        for ($y = 0; $y < 64; $y++) {
            $time = 2 * $number + $times[$y % 2];
            for ($x = 0; $x < FieldSample::COLUMNS; $x++) {
                $rows .= chr((int) (127 + 100 * sin(($x + 1.5 * $time + $y / 30) / 5)));
            }
        }

        return $rows;
    };
    expect(FieldSample::tell($frame(3), $frame(4)))->toBe($expected);
})->with([
    'progressive' => [[0, 0], FieldSample::PROGRESSIVE],
    'top field first' => [[0, 1], FieldSample::TOP_FIRST],
    'bottom field first' => [[1, 0], FieldSample::BOTTOM_FIRST],
]);

it('does not guess the fields of a still, of noise, or of half a picture', function () {
    mt_srand(3);
    $noise = fn (): string => implode('', array_map(fn (): string => chr(mt_rand(60, 180)), range(1, FieldSample::COLUMNS * 64)));
    $still = $noise();
    expect(FieldSample::tell($still, $still))
        ->toBe(FieldSample::UNKNOWN)
        ->and(FieldSample::tell($noise(), $noise()))
        ->toBe(FieldSample::UNKNOWN)
        ->and(FieldSample::tell($still, substr($still, 40)))
        ->toBe(FieldSample::UNKNOWN);
});

it('keeps facts in little room and takes them back', function () {
    $facts = facts(['mean' => [0, 12.5, 255], 'spatial' => [3.25], 'peak' => [1.0, 0.5]]);
    $facts->truePeak = 0.9;
    $again = Facts::unpack($facts->pack());
    expect($again->of(Measure::Mean)->all())
        ->toBe([0.0, 12.5, 255.0])
        ->and($again->truePeak)
        ->toBe(0.9)
        ->and($again->frames())
        ->toBe(3)
        ->and(Facts::unpack(''))
        ->toBeNull()
        ->and(Facts::unpack(substr($facts->pack(), 0, -1)))
        ->toBeNull()
        ->and(Facts::unpack("{}\n"))
        ->toBeNull();
    $series = new Series(0.5);
    array_map($series->add(...), [-3, 1.2, 99_999]);
    $series->fill(5);
    expect($series->all())
        ->toBe([0.0, 1.0, 32_767.5, 32_767.5, 32_767.5])
        ->and($series->at(17))
        ->toBe(0.0);
});

it('covers a cut with segments, and its sound with tenths of seconds', function (string $rate, int $frames, int $seconds) {
    $reading = Desk::reading(Probes::plain(['avg_frame_rate' => $rate, 'r_frame_rate' => $rate, 'nb_frames' => (string) $frames]));
    $next = 0;
    $sound = 0.0;
    foreach (Segment::all($reading, $seconds) as $segment) {
        [$start, $end] = $segment->sound();
        expect($segment->range->first)->toBe($next)->and($start->toFloat())->toBe($sound)->and($end->times(10)->denominator)->toBe(1);
        $next = $segment->range->last + 1;
        $sound = $end->toFloat();
    }
    expect($next)
        ->toBe($frames)
        ->and($sound)
        ->toBe(floor($reading->mainVideo()->frameRate->secondsOf($frames)->toFloat() * 10 + 1e-9) / 10);
})->with([['25/1', 1, 60], ['25/1', 3000, 60], ['30000/1001', 18_001, 60], ['24000/1001', 1439, 1], ['60/1', 601, 10]]);

it('draws no more columns than there are frames, and each from what lies in it', function () {
    $facts = facts([
        'mean' => array_fill(0, 100, 90),
        'spatial' => [...array_fill(0, 50, 10), ...array_fill(0, 50, 60)],
        'peak' => [...array_fill(0, 40, 0.2), ...array_fill(0, 40, 0.8)],
    ]);
    $curves = Curves::between($facts, FrameRate::of(25), FrameRange::whole(100), 10);
    expect($curves['detail'])
        ->toHaveCount(10)
        ->and($curves['detail'][0])
        ->toBe(0.167)
        ->and($curves['detail'][9])
        ->toBe(1.0)
        ->and($curves['peak'][2])
        ->toBe(0.2)
        ->and($curves['peak'][7])
        ->toBe(0.8)
        ->and(Curves::between($facts, FrameRate::of(25), new FrameRange(10, 14), 1000)['detail'])
        ->toHaveCount(5)
        // Sound that ends before the picture is silent from there on.
        ->and(
            Curves::between(
                facts(['mean' => array_fill(0, 100, 90), 'spatial' => array_fill(0, 100, 10), 'peak' => array_fill(0, 20, 0.5)]),
                FrameRate::of(25),
                FrameRange::whole(100),
                4,
            )['peak'],
        )
        ->toBe([0.5, 0.0, 0.0, 0.0]);
});

it('notices what an analysis gives cause to say, with numbers, and a range that answers it', function (
    array $found,
    FrameRange $range,
    array $ids,
    ?array $remedy,
) {
    $notices = Notices::for($found, $range);
    expect(array_map(fn ($notice): string => $notice->id, $notices))->toBe($ids);
    if ($remedy !== null) {
        expect($notices[0]->toArray()['range'])->toBe($remedy);
        // Taking the range answers the notice.
        expect(array_map(fn ($notice): string => $notice->id, Notices::for($found, $notices[0]->range)))->not->toContain($notices[0]->id);
    }
    foreach ($notices as $notice) {
        expect($notice->text)->toMatch('~\d~');
    }
})->with(function () {
    $span = fn (int $first, int $last): array => [
        'firstFrame' => $first,
        'lastFrame' => $last,
        'first' => '00:00:00:00',
        'last' => '00:00:03:24',
        'length' => '0:04',
    ];
    $stray = ['suggestedRange' => $span(0, 99) + ['reason' => 'footage after a gap'], 'leftover' => [$span(125, 149)]];

    return [
        'nothing looked at' => [[], FrameRange::whole(150), [], null],
        'stray footage' => [$stray, FrameRange::whole(150), ['footage-after-gap'], ['first' => 0, 'last' => 99]],
        'a beginning that was cut off stays so' => [$stray, new FrameRange(20, 149), ['footage-after-gap'], ['first' => 20, 'last' => 99]],
        'a range that leaves it out' => [$stray, new FrameRange(10, 99), [], null],
        'only the stray footage' => [$stray, new FrameRange(130, 149), ['footage-after-gap'], ['first' => 0, 'last' => 99]],
        'black at the end' => [
            ['suggestedRange' => $span(0, 99) + ['reason' => 'black at the end'], 'leftover' => []],
            FrameRange::whole(150),
            ['black-end'],
            ['first' => 0, 'last' => 99],
        ],
        'fields that the file denies' => [
            ['statedScan' => 'progressive', 'scan' => 'tff', 'scanSamples' => ['progressive' => 1, 'tff' => 9, 'bff' => 0]],
            FrameRange::whole(10),
            ['scan-differs'],
            null,
        ],
        'bars' => [['bars' => ['top' => 20, 'bottom' => 0, 'left' => 0, 'right' => 0]], FrameRange::whole(10), ['bars'], null],
        'repeats' => [['repeated' => ['label' => '15 in 30']], FrameRange::whole(10), ['repeated-frames'], null],
        'silence' => [['loudness' => ['integrated' => null, 'truePeak' => null]], FrameRange::whole(10), ['silent'], null],
        'clipping' => [['loudness' => ['integrated' => -14, 'truePeak' => 0.4]], FrameRange::whole(10), ['over-peak'], null],
        'very quiet' => [['loudness' => ['integrated' => -40, 'truePeak' => -20]], FrameRange::whole(10), ['quiet'], null],
        'dark gradients' => [['gradient' => 0.4, 'darkness' => 0.9], FrameRange::whole(10), ['banding-risk'], null],
        'light gradients' => [['gradient' => 0.4, 'darkness' => 0.1], FrameRange::whole(10), [], null],
    ];
});

it('sends the engine to a place a little before an excerpt, and keeps only its frames', function (
    array $probe,
    array $range,
    array $input,
    string $picture,
    string $sound,
) {
    $reading = Desk::reading($probe);
    $excerpt = new Excerpt($reading, new FrameRange(...$range));
    expect($excerpt->input())
        ->toBe($input)
        ->and(implode(',', $excerpt->picture()))
        ->toBe($picture)
        ->and(implode(',', $excerpt->sound()))
        ->toBe($sound);
})->with([
    'the beginning' => [
        Probes::plain(),
        [0, 24],
        [],
        'fps=fps=25:start_time=0.000000,trim=end_frame=25,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=0.000000:end=1.000000,asetpts=PTS-(0.000000)/TB',
    ],
    'the middle' => [
        Probes::plain(['nb_frames' => '250', 'duration' => '10'], [[]], ['duration' => '10']),
        [100, 124],
        ['-ss', '3.000000'],
        'fps=fps=25:start_time=1.000000,trim=end_frame=25,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=1.000000:end=2.000000,asetpts=PTS-(1.000000)/TB',
    ],
    'a picture that begins late' => [
        Probes::plain(['nb_frames' => '250', 'start_time' => '0.500000'], [[]], ['start_time' => '0.000000']),
        [100, 124],
        ['-ss', '3.500000'],
        'fps=fps=25:start_time=1.000000,trim=end_frame=25,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=1.000000:end=2.000000,asetpts=PTS-(1.000000)/TB',
    ],
    'the end, which is held for a second' => [
        Probes::plain(['avg_frame_rate' => '25/1']) + [
            'orders' => ['0' => ['whole' => true, 'times' => ['frames' => 50, 'usualGap' => 0.04, 'usualGaps' => 49, 'span' => 1.96,
                'lastLasts' => 1.0]]],
        ],
        [60, 74],
        [],
        'fps=fps=25:start_time=2.400000,tpad=stop=24:stop_mode=clone,trim=end_frame=15,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=2.400000:end=3.000000,asetpts=PTS-(2.400000)/TB',
    ],
    'frames that are counted' => [
        Probes::plain(['nb_frames' => '250', 'start_time' => '0.040000'], [[]], ['start_time' => '0.000000']) + [
            'orders' => ['0' => ['whole' => true, 'times' => ['frames' => 250, 'untimed' => 250, 'firstTimed' => false]]],
        ],
        [100, 124],
        [],
        'settb=AVTB,setpts=N/(25)/TB,fps=fps=25:start_time=4.000000,trim=end_frame=25,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=4.000000:end=5.000000,asetpts=PTS-(4.000000)/TB',
    ],
    'all of it, with sound that outlasts the picture' => [
        Probes::plain(),
        [0, 49],
        [],
        'fps=fps=25:start_time=0.000000,trim=end_frame=50,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=0.000000,asetpts=PTS-(0.000000)/TB',
    ],
    'a stream without an index' => [
        Probes::tape(),
        [150, 179],
        [],
        'fps=fps=30000/1001:start_time=5.005000,trim=end_frame=30,setpts=PTS-STARTPTS',
        'aresample=async=1:first_pts=0,atrim=start=5.005000:end=6.006000,asetpts=PTS-(5.005000)/TB',
    ],
]);

it('shows every picture in BT.709, square and upright', function (array $probe, string $size, array $has, array $hasNot) {
    $video = Desk::reading($probe)->mainVideo();
    $viewing = new Viewing($video);
    $chain = implode(',', [...$viewing->progressive(), ...$viewing->asStill($viewing->size(640))]);
    expect((string) $viewing->size(640))->toBe($size);
    array_map(fn (string $part) => expect($chain)->toContain($part), $has);
    array_map(fn (string $part) => expect($chain)->not->toContain($part), $hasNot);
})->with([
    'BT.709' => [Probes::plain(), '320×180', ['in_color_matrix=bt709', 'yuvj444p'], ['tonemap', 'bwdif']],
    'tape' => [Probes::tape(), '640×480', ['bwdif=mode=send_frame:parity=tff', 'in_color_matrix=bt601'], ['tonemap']],
    'PQ' => [Probes::hdr(), '640×360', ['transferin=smpte2084', 'tonemap=tonemap=mobius', 'primaries=709'], []],
    'HLG' => [
        Probes::plain(['color_primaries' => 'bt2020', 'color_transfer' => 'arib-std-b67', 'color_space' => 'bt2020nc']),
        '320×180',
        ['transferin=arib-std-b67', 'tonemap'],
        [],
    ],
    'wide gamut, SDR' => [
        Probes::plain(['color_primaries' => 'smpte432']),
        '320×180',
        ['primariesin=smpte432', 'primaries=709'],
        ['tonemap'],
    ],
    'not tagged, small' => [
        Probes::plain(['color_space' => null, 'color_primaries' => null, 'color_transfer' => null]),
        '320×180',
        ['in_color_matrix=bt601'],
        [],
    ],
    'turned' => [Probes::plain(['side_data_list' => [['side_data_type' => 'Display Matrix', 'rotation' => -90]]]), '180×320', [], []],
]);

it('cuts a range to what a cut has', function () {
    $whole = FrameRange::whole(100);
    expect($whole->clamp(20, 300)->last)
        ->toBe(99)
        ->and($whole->clamp(500, 600)->first)
        ->toBe(99)
        ->and($whole->clamp(50, 10)->count())
        ->toBe(1)
        ->and($whole->contains(new FrameRange(0, 99)))
        ->toBeTrue()
        ->and((new FrameRange(1, 99))->contains($whole))
        ->toBeFalse();
});
