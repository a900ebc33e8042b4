<?php

use App\Engine\Prober;
use App\Media\CutReader;
use App\Schema\Contract;
use OuterCrate\Reading\Boxes\PicturePackets;
use OuterCrate\Reading\Description;
use OuterCrate\Reading\Matroska\PictureBlocks;
use OuterCrate\Reading\Packets\Packet;
use Symfony\Component\Process\Process;
use Tests\Support\Clips;
use Tests\Support\Desk;
use Tests\Support\OddClips;
use Tests\Support\TestDatabase;

/** Runs bin/crate as a script would. */
function crate(string ...$arguments): Process
{
    return test()->crate(...$arguments);
}

it('lists the packets of a picture as the prober does, out of tables or blocks of its file', function (string $kind, bool $isTold) {
    $path = $this->clip($kind);
    $listed = [];
    app(Prober::class)->packets($path, function (Packet $packet) use (&$listed): void {
        $listed[] = $packet;
    }, pictureOnly: true);
    $stream = fopen($path, 'rb');
    $told = PicturePackets::of($stream, filesize($path)) ?? PictureBlocks::of($stream, filesize($path));
    // To the microsecond that the prober rounds to.
    $plain = fn (Packet $packet): array => [
        round((float) $packet->shown, 6), round((float) $packet->lasts, 6), $packet->bytes, $packet->keyframe, $packet->hidden,
    ];

    expect($told !== null)->toBe($isTold)
        ->and(count($listed))->toBeGreaterThan(9)
        ->and(array_map($plain, app(CutReader::class)->picture($path)))->toEqual(array_map($plain, $listed));
})->with([
    'B-frames, and an edit list' => ['open-gop', true],
    'sound beside it' => ['plain', true],
    'a timecode track' => ['timecode', true],
    'samples of one size' => ['see-through', true],
    'Matroska' => ['closed-gop', true],
    'a program stream' => ['tape', false],
]);

it('reads a file for a script', function (string $kind, array $video, array $file) {
    $process = crate('read', $this->clip($kind), '--json');
    expect($process->getExitCode())->toBe(0);
    $reading = json_decode($process->getOutput(), true);
    expect(app(Contract::class)->faults(json_decode($process->getOutput()), 'reading'))
        ->toBe([])
        ->and($reading)
        ->toMatchArray($file)
        ->and($reading['video'][0])
        ->toMatchArray($video);
})->with([
    [
        'plain',
        [
            'codec' => 'h264',
            'width' => 320,
            'height' => 180,
            'frameRate' => '25',
            'scan' => 'progressive',
            'bitDepth' => 8,
            'displayAspect' => '16:9',
            'frames' => 50,
        ],
        ['container' => 'mp4', 'fastStart' => true],
    ],
    [
        'ten-bit',
        ['codec' => 'prores', 'profile' => '422 HQ', 'bitDepth' => 10, 'chroma' => '4:2:2'],
        ['container' => 'mov', 'fastStart' => false],
    ],
    [
        'tape',
        ['codec' => 'mpeg2video', 'scan' => 'tff', 'frameRate' => '30000/1001', 'displayAspect' => '4:3', 'displayWidth' => 640],
        ['container' => 'mpeg-ps'],
    ],
    ['numbered-stream', ['variableRate' => false, 'frames' => 100], ['container' => 'mpeg-ps']],
    ['uneven', ['variableRate' => true], ['container' => 'matroska']],
    ['turned', ['rotation' => 270, 'displayWidth' => 180, 'displayHeight' => 320], ['container' => 'mp4']],
    ['hdr', ['codec' => 'hevc', 'hdr' => true, 'bitDepth' => 10, 'mastering' => null], ['container' => 'mp4']],
    [
        'hdr10',
        ['hdr' => true, 'contentLight' => ['maxCll' => 1000, 'maxFall' => 400], 'codecs' => 'hvc1.2.4.L60.90', 'levelLabel' => '2.0 (60)'],
        [],
    ],
    ['bottom-first', ['scan' => 'bff'], ['audio' => []]],
    ['squeezed', ['sampleAspect' => '4/3', 'displayWidth' => 320, 'displayAspect' => '16:9'], []],
    ['see-through', ['alpha' => true, 'profile' => '4444', 'chroma' => '4:4:4'], []],
    ['surround', ['codec' => 'h264'], ['container' => 'matroska']],
    ['timecode', ['frameRate' => '30000/1001'], ['startTimecode' => '00:59:59;28', 'brands' => ['qt  ']]],
    [
        'open-gop',
        [
            'gop' => [
                'frames' => 12,
                'closed' => false,
                'bFrames' => 2,
                'pyramid' => false,
                'references' => 3,
                'label' => "0.48\u{2009}s · open · 2 B",
            ],
        ],
        [],
    ],
    [
        'closed-gop',
        [
            'gop' => [
                'frames' => 10,
                'closed' => true,
                'bFrames' => 3,
                'pyramid' => true,
                'references' => 4,
                'label' => "0.4\u{2009}s · closed · 3 B",
            ],
        ],
        [],
    ],
]);

it('reads the sound of several channels, in its language', function () {
    $audio = json_decode(crate('read', $this->clip('surround'), '--json')->getOutput(), true)['audio'][0];
    expect($audio)->toMatchArray(['codec' => 'flac', 'channels' => 6, 'layout' => '5.1', 'language' => 'fra']);
});

it('says everything it read in words, with the number of the standard beside it', function () {
    $described = collect(Description::of(app(CutReader::class)->read($this->clip('hdr10'))['reading']))
        ->keyBy('title')
        ->map(fn (array $group): array => array_column($group['facts'], 'text', 'name'));
    expect($described['Colour'])
        ->toMatchArray([
            'Primaries' => 'BT.2020 (9)',
            'Transfer' => 'PQ (16)',
            'Matrix' => 'BT.2020, non-constant luminance (9)',
            'Graded on' => "P3 primaries, 0.0001 to 1000\u{2009}cd/m²",
        ])
        ->and($described['Picture'])
        ->toMatchArray(['Level' => '2.0 (60)', 'Codec string' => 'hvc1.2.4.L60.90', 'Coded size' => '320×192']);
});

it('takes any name that a file can have', function (string $name) {
    $this->clip('plain', $name);
    expect(crate('read', $name, '--json')->getExitCode())->toBe(0);
})->with([
    '-strange.mp4',
    "it's \"quoted\".mp4",
    'a:b|c.mp4',
    "two\nlines.mp4",
    'kiln 🔥.mp4',
    '%d.mp4',
    'file:x.mp4',
    '$(touch here).mp4',
    'ünïcode.mp4',
]);

/** A black image of so many pixels a side, in a few kilobytes (PNG, ISO/IEC 15948). */
function hugeImage(int $side): string
{
    $chunk = fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    $rows = gzcompress(str_repeat("\0", $side * (1 + intdiv($side + 7, 8))));

    return "\x89PNG\r\n\x1a\n".$chunk('IHDR', pack('N2C5', $side, $side, 1, 0, 0, 0, 0)).$chunk('IDAT', $rows).$chunk('IEND', '');
}

it('refuses what is no cut, says why, and touches nothing', function (string $name, string $id, string $says) {
    $clip = file_get_contents($this->clip());
    $files = [
        'project.mp4' => "Kiln Diary, episode 14: project file.\n",
        'empty.mp4' => '',
        'head.mp4' => substr($clip, 0, 900),
        'short.mp4' => substr($clip, 0, intdiv(strlen($clip), 2)),
        'list.mp4' => "#EXTM3U\n#EXTINF:2,\n{$this->folder('media')}/plain.mp4\n",
        'concat.mov' => "ffconcat version 1.0\nfile '{$this->folder('media')}/plain.mp4'\n",
        'huge.mp4' => $name === 'huge.mp4' ? hugeImage(16_000) : '',
        'noise.mkv' => str_repeat("\x1A\x45\xDF\xA3 not really ", 200),
    ];
    $this->file($name, $files[$name] ?? '');
    if ($name === 'sound.m4a') {
        (new Process([
            'ffmpeg', '-v', 'error', '-y', '-i',
            $this->clip(),
            '-vn',
            '-c',
            'copy',
            $this->folder('media').'/sound.m4a',
        ]))->mustRun();
    }
    $process = crate('read', $name, '--json');
    expect($process->getExitCode())
        ->toBe(1)
        ->and(json_decode($process->getOutput(), true)['error']['id'])
        ->toBe($id)
        ->and($process->getErrorOutput())
        ->toContain($name, $says)
        ->and(array_diff($this->left('media'), [$name, 'plain.mp4']))
        ->toBe([]);
})->with([
    ['project.mp4', 'not-media', 'not a video file'],
    ['empty.mp4', 'empty', 'empty'],
    ['head.mp4', 'cut-short', 'cut short'],
    ['short.mp4', 'cut-short', 'Copy or export it again'],
    ['sound.m4a', 'no-video', 'no picture'],
    ['list.mp4', 'playlist', 'points to other files'],
    ['concat.mov', 'playlist', 'points to other files'],
    ['noise.mkv', 'not-media', 'not a video file'],
    // Half a minute of decoding, and half a gigabyte.
    ['huge.mp4', 'cut-short', 'Copy or export it again'],
]);

it('reads a table of rates that was copied from a help page, for a host file', function () {
    $this->file('rates.txt', "Frame\tRate (Mbps)\n2160p\t40\n1080p\t8");
    $rows = json_decode(crate('read-table', 'rates.txt', '--json')->getOutput(), true);
    $host = ['asks' => ['bitrates' => $rows]] + Desk::hostFile('platen');
    expect(crate('read-table', 'rates.txt')->getOutput())
        ->toContain('2160p', "40\u{2009}Mb/s")
        ->and($rows[1])
        ->toBe(['shorterSide' => 1080, 'kbps' => 8_000])
        ->and(app(Contract::class)->faults(json_decode(json_encode($host)), 'host'))
        ->toBe([]);
    $this->file('none.txt', 'Upload a file that you have the rights to.');
    expect(crate('read-table', 'none.txt')->getErrorOutput())->toContain('No rates were understood');
});

it('plans for a script, with values, origins, findings and estimate', function () {
    $process = crate(
        'plan',
        $this->clip('hd-high-rate'),
        '--output=archive-10-bit',
        '--output=lanternwick-generous',
        '--output=platen-1080@tallgate',
        '--json',
    );
    $outputs = json_decode($process->getOutput(), true)['outputs'];
    expect($process->getExitCode())
        ->toBe(0)
        ->and(app(Contract::class)->faults(json_decode($process->getOutput()), 'plan-list'))
        ->toBe([])
        ->and(array_column($outputs, 'host'))
        ->toBe([null, 'lanternwick', 'tallgate'])
        ->and($outputs[1]['values']['bitrate']['average'])
        ->toBe(14_400_000)
        ->and($outputs[1]['estimate']['bytes'])
        ->toBeGreaterThan(800_000)
        ->and(array_column($outputs[2]['findings'], 'id'))
        ->toContain('shape-differs');
});

it('exits with 2 when it is called wrongly', function (array $arguments) {
    $process = crate(...$arguments);
    expect($process->getExitCode())->toBe(2)->and($process->getErrorOutput())->not->toBe('');
})->with([
    'no command' => [['polish', 'x.mp4']],
    'no file' => [['read']],
    'unknown option' => [['read', 'x.mp4', '--fast']],
    'nothing to make' => [['plan', 'x.mp4']],
    'unknown preset' => [['plan', 'x.mp4', '--output=nobody']],
    'malformed output' => [['plan', 'x.mp4', '--output=a b']],
    'no folder' => [['pack', 'x.mp4', '--output=archive-10-bit']],
]);

it('says that a host is not there', function () {
    $process = crate('plan', $this->clip(), '--output=archive-10-bit@nowhere');
    expect([$process->getExitCode(), str_contains($process->getErrorOutput(), 'lanternwick')])->toBe([2, true]);
});

it('packs for a script and keeps the cut as it was', function () {
    $cut = $this->clip();
    $before = [hash_file('sha256', $cut), filemtime($cut), fileperms($cut)];
    $process = crate(
        'pack',
        $cut,
        '--output=lanternwick-even',
        '--output=review-720',
        '--to='.$this->folder('out').'/new folder',
        '--json',
    );
    $outputs = json_decode($process->getOutput(), true)['outputs'];
    clearstatcache();
    expect($process->getExitCode())
        ->toBe(0)
        ->and(app(Contract::class)->faults(json_decode($process->getOutput()), 'pack-command'))
        ->toBe([])
        ->and([hash_file('sha256', $cut), filemtime($cut), fileperms($cut)])
        ->toBe($before);
    foreach ($outputs as $output) {
        expect(hash_file('sha256', $output['file']))->toBe($output['sha256'])->and(filesize($output['file']))->toBe($output['bytes']);
    }
});

it('stops on a signal, with no engine and no half file left', function () {
    $process = new Process(
        [base_path('bin/crate'), 'pack', $this->clip('long'), '--output=slow-line', '--to='.$this->folder('out')],
        null,
        [
            ...TestDatabase::another(dirname($this->folder('derived'))),
            'CRATE_DERIVED' => $this->folder('derived'),
            'CACHE_STORE' => 'file',
            'APP_ENV' => 'production',
        ],
    );
    $process->start();
    $partial = fn (): bool => $this->left('out') !== [];
    for ($i = 0; $i < 200 && ! $partial(); $i++) {
        usleep(50_000);
    }
    expect($partial())->toBeTrue();
    $process->signal(SIGTERM);
    $process->wait();
    expect($process->getExitCode())
        ->toBe(1)
        ->and($process->getErrorOutput())
        ->toContain('stopped')
        ->and($this->left('out'))
        ->toBe([])
        ->and((new Process(['pgrep', '-x', '-f', 'ffmpeg.*'.preg_quote($this->folder).'.*']))->run())
        ->toBe(1);
});

it('measures pieces of a file for a script', function () {
    $path = $this->clip('long');
    $estimate = function (string ...$options) use ($path): array {
        $process = crate('plan', $path, '--output=review-720', '--json', ...$options);
        expect($process->getExitCode())
            ->toBe(0)
            ->and(app(Contract::class)->faults(json_decode($process->getOutput()), 'plan-list'))
            ->toBe([]);

        return json_decode($process->getOutput(), true)['outputs'][0]['estimate'];
    };
    expect($estimate()['basis'])->toBe('content')->and($estimate('--measure')['basis'])->toBe('sample');
});

it('says so and fails when its database cannot be used', function () {
    file_put_contents($this->folder('derived').'/crate.sqlite', random_bytes(4096));
    $process = new Process(
        [base_path('bin/crate'), 'pack', $this->clip(), '--output=review-720', '--to='.$this->folder('out'), '--json'],
        null,
        ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->folder('derived').'/crate.sqlite', 'APP_ENV' => 'production'],
    );
    $process->run();
    expect($process->getExitCode())
        ->toBe(1)
        ->and(json_decode($process->getOutput(), true)['error'])
        ->toMatchArray(['id' => 'database-damaged'])
        ->and($process->getErrorOutput())
        ->toContain('crate.sqlite is damaged', 'bin/crate database restore')
        ->and($process->getErrorOutput())
        ->not->toContain('#0');
});

it('holds every file of a folder against what is packed of it', function () {
    copy(OddClips::make('hidden'), $this->folder('media').'/hidden.mp4');
    copy(OddClips::make('avi-mpeg4'), $this->folder('media').'/ünder.avi');
    $right = crate('check-files', $this->folder('media'), '--json');
    // A third of a mezzanine's frames are gone, and its index still counts them.
    $bytes = file_get_contents(Clips::make('ten-bit'));
    $gone = intdiv(strlen($bytes), 3);
    $this->file('lies.mov', substr_replace($bytes, str_repeat("\0", $gone), $gone, $gone));
    $wrong = crate('check-files', $this->folder('media'));
    expect($right->getExitCode())
        ->toBe(0)
        ->and(array_map(
            fn (array $file): array => [$file['name'], $file['decoded'], $file['made'], $file['differs'], $file['lag']],
            json_decode($right->getOutput(), true),
        ))
        ->toBe([['hidden.mp4', 75, 75, [], null], ['ünder.avi', 100, 100, [], 0]])
        ->and($wrong->getExitCode())
        ->toBe(1)
        ->and($wrong->getOutput())
        ->toContain('DIFFERS: frames can be decoded, not those counted', '3 files, 1 differ')
        ->and(crate('check-files', $this->folder('out'))->getExitCode())
        ->toBe(2);
});
