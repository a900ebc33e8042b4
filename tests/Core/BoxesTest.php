<?php

use OuterCrate\Reading\Boxes\CodecString;
use OuterCrate\Reading\Boxes\MovieBoxes;
use OuterCrate\Reading\Boxes\PicturePackets;
use OuterCrate\Reading\Boxes\Sphere;
use OuterCrate\Reading\Packets\FrameOrder;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Unreadable;
use Tests\Support\BoxEditor;
use Tests\Support\Clips;
use Tests\Support\Probes;

function movie(string $bytes): array
{
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $bytes);

    return MovieBoxes::of($stream, strlen($bytes));
}

/** @return list<Packet>|null */
function packetsInTables(string $bytes): ?array
{
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $bytes);

    return PicturePackets::of($stream, strlen($bytes));
}

/** A movie of one picture of four samples, 25 a second, with what is put in their tables. */
function fourSamples(string $sizes, string $edits = ''): string
{
    $numbers = fn (int ...$numbers): string => pack('N*', 0, ...$numbers);
    $box = BoxEditor::box(...);
    $table = $box('stbl', $box('stts', $numbers(1, 4, 40)).$box('stss', $numbers(2, 1, 4)).$box('ctts', $numbers(2, 1, 80, 3, 40)).$sizes);
    $media = $box('mdia', $box('mdhd', $numbers(0, 0, 1000, 160)).$box('hdlr', $numbers(0).'vide').$box('minf', $table));

    return $box('moov', $box('mvhd', $numbers(0, 0, 600, 96)).$box('trak', $edits.$media));
}

function frames(string $pattern): FrameOrder
{
    $order = new FrameOrder;
    foreach (explode(' ', $pattern) as $frame) {
        $order->take((float) trim($frame, 'K') / 25, str_ends_with($frame, 'K'));
    }

    return $order;
}

it('tells the structure from the order of frames', function (string $decoded, int $frames, ?bool $closed, int $bFrames, bool $pyramid) {
    expect(frames($decoded)->gop()?->toArray())->toBe([
        'frames' => $frames,
        'closed' => $closed,
        'bFrames' => $bFrames,
        'pyramid' => $pyramid,
    ]);
})->with([
    'every frame' => ['0K 1K 2K 3K', 1, true, 0, false],
    'no B-frames' => ['0K 1 2 3K 4 5', 3, true, 0, false],
    'two B-frames, closed' => ['0K 3 1 2 4K 7 5 6', 4, true, 2, false],
    'two B-frames, open' => ['0K 3 1 2 6K 4 5 9 7 8', 6, false, 2, false],
    'three B-frames in a pyramid' => ['0K 4 2 1 3 5K 9 7 6 8', 5, true, 3, true],
    'one GOP' => ['0K 1 2', 3, null, 0, false],
]);

it('says nothing of a structure that it has not seen', function () {
    expect((new FrameOrder)->gop())->toBeNull();
});

it('writes codec strings', function (string $entry, string $box, string $configuration, string $expected) {
    expect(CodecString::of($entry, [$box => hex2bin($configuration)]))->toBe($expected);
})->with([
    'H.264 High 4.0' => ['avc1', 'avcC', '01640028ff', 'avc1.640028'],
    'HEVC Main 10' => ['hvc1', 'hvcC', '0102200000009000000000003c', 'hvc1.2.4.L60.90'],
    'HEVC Main, high tier' => ['hev1', 'hvcC', '0121600000009000000000007b', 'hev1.1.6.H123.90'],
    'VP9' => ['vp09', 'vpcC', '0100000002'.'1f80', 'vp09.02.31.08'],
    'AV1 10-bit' => ['av01', 'av1C', '810d4c', 'av01.0.13M.10'],
    'AAC-LC' => ['mp4a', 'esds', '00000000031900010004114015'.str_repeat('00', 11).'05021190', 'mp4a.40.2'],
    'MP3 in MP4' => ['mp4a', 'esds', '0000000003110001000409'.'6b150000000000000000000000', 'mp4a.6b'],
    'cut off' => ['avc1', 'other', '01', 'avc1'],
    'ProRes' => ['apch', 'other', '01', 'apch'],
]);

it('lists the samples of a picture with their sizes, from the first that is shown', function () {
    $sizes = BoxEditor::box('stsz', pack('N*', 0, 0, 4, 900, 30, 20, 800));
    $shown = BoxEditor::box('edts', BoxEditor::box('elst', pack('N*', 0, 1, 0, 80, 0x1_0000)));
    $plain = fn (?array $packets): ?array => $packets === null ? null : array_map(
        fn (Packet $packet): array => [$packet->shown, $packet->bytes, $packet->keyframe],
        $packets,
    );

    expect($plain(packetsInTables(fourSamples($sizes, $shown))))
        ->toBe([[0.0, 900, true], [0.0, 30, false], [0.04, 20, false], [0.08, 800, true]])
        ->and(array_column(packetsInTables(fourSamples(BoxEditor::box('stsz', pack('N*', 0, 500, 4)))) ?? [], 'bytes'))
        ->toBe([500, 500, 500, 500]);
});

it('does not tell the samples of what its tables do not tell', function (Closure $made) {
    expect(packetsInTables($made()))->toBeNull();
})->with(function () {
    $sizes = BoxEditor::box('stsz', pack('N*', 0, 0, 4, 900, 30, 20, 800));
    $edit = fn (int ...$numbers): string => BoxEditor::box('edts', BoxEditor::box('elst', pack('N*', ...$numbers)));

    return [
        'no sizes' => fn (): string => fourSamples(''),
        'fewer sizes than samples' => fn (): string => fourSamples(BoxEditor::box('stsz', pack('N*', 0, 0, 2, 900, 30))),
        'sizes that are cut off' => fn (): string => fourSamples(BoxEditor::box('stsz', pack('N*', 0, 0, 4, 900, 30))),
        'more samples than are looked at' => fn (): string => fourSamples(BoxEditor::box('stsz', pack('N*', 0, 500, 0x7FFF_FFFF))),
        'shown in two pieces' => fn (): string => fourSamples($sizes, $edit(0, 2, 10, 0, 0x1_0000, 10, 80, 0x1_0000)),
        'shown at half the speed' => fn (): string => fourSamples($sizes, $edit(0, 1, 0, 0, 0x8000)),
        'more in fragments' => fn (): string => fourSamples($sizes).BoxEditor::box('moof', ''),
        'two pictures' => fn (): string => BoxEditor::box('moov', str_repeat(substr(fourSamples($sizes), 8), 2)),
        'no movie' => fn (): string => BoxEditor::box('ftyp', 'isom'),
    ];
});

it('reads 360 layouts of both forms', function () {
    $path = tempnam(sys_get_temp_dir(), 'sphere');
    copy(Clips::make('silent'), $path);
    BoxEditor::insert(
        $path,
        'moov/trak',
        BoxEditor::box(
            'uuid',
            Sphere::XML_UUID.
                '<rdf:SphericalVideo><GSpherical:Spherical>true</GSpherical:Spherical>'.
                '<GSpherical:ProjectionType>equirectangular</GSpherical:ProjectionType>'.
                '<GSpherical:StereoMode>top-bottom</GSpherical:StereoMode></rdf:SphericalVideo>',
        ),
    );
    $old = movie(file_get_contents($path))['tracks'][0];
    copy(Clips::make('silent'), $path);
    $entry = 'moov/trak/mdia/minf/stbl/stsd/avc1';
    BoxEditor::insert($path, $entry, BoxEditor::box('st3d', "\0\0\0\0\2"));
    BoxEditor::insert(
        $path,
        $entry,
        BoxEditor::box(
            'sv3d',
            BoxEditor::box('svhd', "\0\0\0\0x\0").
                BoxEditor::box('proj', BoxEditor::box('prhd', str_repeat("\0", 16)).BoxEditor::box('equi', str_repeat("\0", 20))),
        ),
    );
    $new = movie(file_get_contents($path))['tracks'][0];
    unlink($path);
    expect([$old['projection'], $old['stereo']])
        ->toBe(['equirectangular', 'top-bottom'])
        ->and([$new['projection'], $new['stereo']])
        ->toBe(['equirectangular', 'left-right'])
        ->and($new['codecs'])
        ->toStartWith('avc1.');
    $reading = (new ProbeReader)->read(Probes::plain(['id' => '0x1']) + ['boxes' => ['tracks' => [$new]]], 1000, true);
    expect($reading->mainVideo()->projection)->toBe('equirectangular')->and($reading->mainVideo()->stereo)->toBe('left-right');
});

it('sees that a movie leans on other files, or is encrypted', function () {
    $media = fn (string $boxes): string => array_reduce(
        ['mdia', 'trak', 'moov'],
        fn (string $inside, string $type): string => BoxEditor::box($type, $inside),
        $boxes,
    );
    $dref = fn (string $entry): string => $media(
        BoxEditor::box('minf', BoxEditor::box('dinf', BoxEditor::box('dref', "\0\0\0\0\0\0\0\1".$entry))),
    );
    $entry = function (string $type) use ($media): string {
        $description = BoxEditor::box('stsd', "\0\0\0\0\0\0\0\1".BoxEditor::box($type, str_repeat("\0", 78)));

        return $media(BoxEditor::box('hdlr', "\0\0\0\0\0\0\0\0vide").BoxEditor::box('minf', BoxEditor::box('stbl', $description)));
    };
    expect(movie($dref(BoxEditor::box('url ', "\0\0\0\1")))['external'])
        ->toBeFalse()
        ->and(movie($dref(BoxEditor::box('url ', "\0\0\0\0file:///etc/passwd\0")))['external'])
        ->toBeTrue()
        ->and(movie(BoxEditor::box('moov', BoxEditor::box('rmra', 'x')))['external'])
        ->toBeTrue()
        ->and(movie($entry('avc1'))['encrypted'])
        ->toBeFalse()
        ->and(movie($entry('encv'))['encrypted'])
        ->toBeTrue();
});

it('survives flipped and truncated files, quickly and without growing', function () {
    mt_srand(20261124);
    $seeds = array_map(fn (string $kind): string => file_get_contents(Clips::make($kind)), ['silent', 'timecode', 'open-gop']);
    $run = function (int $from, int $to) use ($seeds): void {
        for ($i = $from; $i < $to; $i++) {
            $bytes = $seeds[$i % count($seeds)];
            $index = strrpos($bytes, 'moov');
            for ($flips = mt_rand(1, 20); $flips > 0; $flips--) {
                $bytes[mt_rand($index, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
            }
            if ($i % 4 === 0) {
                $bytes = substr($bytes, 0, mt_rand($index, strlen($bytes)));
            }
            $boxes = movie($bytes);
            try {
                (new ProbeReader)
                    ->read(
                        Probes::damaged($i) + ['boxes' => $boxes, 'orders' => [['gop' => $boxes['tracks'][0]['gop'] ?? null]]],
                        1000,
                        null,
                    )
                    ->toArray();
            } catch (Unreadable) {
            }
        }
    };
    $run(0, 50);
    $before = memory_get_usage();
    $run(50, 1050);
    expect(memory_get_usage() - $before)
        ->toBeLessThan(1_000_000)
        ->and(memory_get_peak_usage())
        ->toBeLessThan(400_000_000);
});

it('lists samples of flipped tables as they claim to be, without growing', function () {
    mt_srand(20261129);
    $seed = file_get_contents(Clips::make('open-gop'));
    $index = strrpos($seed, 'moov');
    $run = function (int $times) use ($seed, $index): int {
        $listed = 0;
        for ($i = 0; $i < $times; $i++) {
            $bytes = $seed;
            for ($flips = mt_rand(1, 20); $flips > 0; $flips--) {
                $bytes[mt_rand($index, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
            }
            $packets = packetsInTables($bytes);
            $listed += $packets === null ? 0 : 1;
            // 300,000 samples are looked at, none of less than nothing.
            expect(count($packets ?? []))->toBeLessThanOrEqual(300_000)
                ->and(min([0, ...array_column($packets ?? [], 'bytes')]))->toBe(0);
        }

        return $listed;
    };
    $run(300);
    $before = memory_get_usage();

    expect($run(300))->toBeGreaterThan(30)->toBeLessThan(300)
        ->and(memory_get_usage() - $before)->toBeLessThan(1_000_000)
        ->and(memory_get_peak_usage())->toBeLessThan(400_000_000);
});
