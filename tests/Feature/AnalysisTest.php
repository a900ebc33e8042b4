<?php

use App\Analysis\Analyser;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\ExactFrames;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Worker;
use OuterCrate\Analysis\Analysis;
use OuterCrate\Analysis\Facts;
use OuterCrate\Encoding\Commands\CapabilityCommand;
use OuterCrate\Reading\Reading;
use Symfony\Component\Process\Process;
use Tests\Support\Clips;
use Tests\Support\TestDatabase;

function readingOf(string $kind): Reading
{
    static $known = [];

    return $known[$kind] ??= app(CutReader::class)->read(Clips::make($kind))['reading'];
}

/** Measures a clip without the queue. */
function measured(string $kind, ?string $folder = null, bool $proxy = false, ?Closure $shouldStop = null): Facts
{
    return app(Analyser::class)->measure(
        readingOf($kind),
        Clips::make($kind),
        new Workspace($folder ?? test()->folder('derived').'/'.$kind),
        $proxy,
        fn () => null,
        $shouldStop ?? fn (): bool => false,
    );
}

function analysed(string $kind): array
{
    return Analysis::of(measured($kind), readingOf($kind))->toArray();
}

/** Frames of a video as the numbers that they show in eight bars. */
function numbersIn(string ...$input): array
{
    $process = new Process(['ffmpeg', '-v', 'error', ...$input, '-an', '-vf', 'scale=8:1:flags=area,format=gray', '-f', 'rawvideo', '-']);
    $bars = str_split($process->mustRun()->getOutput(), 8);

    return array_map(
        fn (string $frame): int => array_sum(array_map(fn (int $bit): int => ord($frame[$bit]) > 127 ? 1 << $bit : 0, range(0, 7))),
        $bars,
    );
}

it('finds what was left behind after the end, and suggests the range without it', function () {
    $found = analysed('leftover');
    $frames = fn (array $spans): array => array_map(fn (array $span): array => [$span['firstFrame'], $span['lastFrame']], $spans);
    expect($frames($found['black']))
        ->toBe([[100, 124]])
        ->and($frames($found['leftover']))
        ->toBe([[125, 149]])
        ->and($found['suggestedRange'])
        ->toMatchArray(['firstFrame' => 0, 'lastFrame' => 99, 'last' => '00:00:03:24', 'reason' => 'footage after a gap'])
        ->and($found['silence'][0]['firstFrame'])
        ->toBeGreaterThanOrEqual(100)
        ->toBeLessThan(106)
        ->and(count($found['detail']))
        ->toBe(6)
        ->and($found['detail'][4])
        ->toBeLessThan(1.0);
});

it('sees what the picture is, whatever the header says', function (string $kind, array $expected) {
    expect(analysed($kind))->toMatchArray($expected);
})->with([
    'progressive' => [
        'plain',
        [
            'scan' => 'progressive',
            'repeated' => null,
            'bars' => ['top' => 0, 'bottom' => 0, 'left' => 0, 'right' => 0],
            'suggestedRange' => null,
        ],
    ],
    'top field first, told as progressive' => ['fields-top', ['scan' => 'tff', 'statedScan' => 'progressive']],
    'bottom field first, told as progressive' => ['fields-bottom', ['scan' => 'bff', 'statedScan' => 'progressive']],
    '15 pictures in 30 frames' => [
        'doubled',
        [
            'repeated' => [
                'period' => 2,
                'distinct' => 1,
                'fields' => false,
                'rate' => '15',
                'label' => '15 in 30: 1 of every 2 frames repeat',
            ],
        ],
    ],
    'pulldown' => [
        'telecined',
        [
            'repeated' => [
                'period' => 5,
                'distinct' => 4,
                'fields' => true,
                'rate' => '24000/1001',
                'label' => '23.976 in 29.97: fields repeat in a 2:3 rhythm',
            ],
        ],
    ],
    'letterbox' => ['boxed', ['bars' => ['top' => 20, 'bottom' => 20, 'left' => 0, 'right' => 0]]],
]);

it('finds where the picture stands still', function () {
    $still = analysed('standing')['still'];
    expect($still)
        ->toHaveCount(1)
        ->and($still[0])
        ->toMatchArray(['firstFrame' => 40, 'lastFrame' => 89]);
});

it('measures darkness, gradients and grain', function () {
    $gradient = analysed('gradient');
    $grain = analysed('grain');
    expect($gradient['gradient'])
        ->toBeGreaterThan(0.3)
        ->and($gradient['darkness'])
        ->toBeGreaterThan(0.9)
        ->and($gradient['grain'])
        ->toBeLessThan(0.6)
        ->and($grain['grain'])
        ->toBeGreaterThan(2.0)
        ->and($grain['gradient'])
        ->toBeLessThan(0.2)
        ->and($grain['darkness'])
        ->toBe(0.0);
});

it('measures loudness as EBU Tech 3341 wants it', function () {
    // A stereo sine at −20 dBFS peak, 1 kHz: −20 LUFS by the definition of the scale (BS.1770-4, 2.7).
    $loudness = analysed('tone')['loudness'];
    expect($loudness['integrated'])
        ->toBeGreaterThanOrEqual(-20.1)
        ->toBeLessThanOrEqual(-19.9)
        ->and($loudness['truePeak'])
        ->toBeGreaterThan(-20.2)
        ->toBeLessThan(-19.7)
        ->and($loudness['range'])
        ->toBeLessThan(0.2)
        ->and($loudness['shortTerm'])
        ->toHaveCount(8)
        ->and($loudness['shortTerm'][5])
        ->toBeGreaterThan(-20.1)
        ->and(analysed('silent')['loudness'])
        ->toBeNull();
});

it('measures the same whether it was put down or not', function (string $kind, int $tolerance) {
    config(['crate.segment' => 60]);
    $whole = measured($kind, $this->folder('derived').'/whole', true);
    config(['crate.segment' => 1]);
    $looks = 0;
    $stopped = 0;
    $facts = null;
    while ($facts === null) {
        try {
            // Later each time: on a busy machine a part may take longer than 40 looks, and would never be done.
            $facts = measured($kind, $this->folder('derived').'/parts', true, function () use (&$looks, &$stopped): bool {
                return ++$looks >= 40 * (1 + $stopped);
            });
        } catch (Stopped) {
            $stopped++;
            $looks = 0;
        }
    }
    $apart = [];
    foreach (OuterCrate\Analysis\Measure::cases() as $measure) {
        [$a, $b] = [$whole->of($measure)->all(), $facts->of($measure)->all()];
        expect(count($b))->toBe(count($a), $measure->value);
        $apart[$measure->value] = count(
            array_filter(array_keys($a), fn (int $i): bool => abs($a[$i] - $b[$i]) > 0.02 * max(1.0, abs($a[$i]))),
        );
    }
    expect($stopped)
        ->toBeGreaterThan(0)
        ->and(max($apart))
        ->toBeLessThanOrEqual($tolerance, json_encode($apart))
        ->and(is_file($this->folder('derived').'/parts/proxy.mp4'))
        ->toBeTrue()
        ->and(is_file($this->folder('derived').'/parts/strip.jpg'))
        ->toBeTrue()
        ->and(glob($this->folder('derived').'/parts/work/*'))
        ->toBe([]);
})->with([['leftover', 12], ['numbered', 12]]);

/** The number that is on the screen at each frame of a clip. */
function expectedNumbers(string $kind, int $frames): array
{
    $came = fn (int $n): bool => $kind !== 'numbered-uneven' || ($n % 7 !== 3 && $n % 11 !== 5 && ($n < 40 || $n > 47));
    $numbers = [];
    for ($n = 0; $n < $frames; $n++) {
        $numbers[] = $came($n) ? $n : end($numbers);
    }

    return $numbers;
}

it('makes a proxy whose frames are those of the cut, one for one', function (string $kind) {
    config(['crate.segment' => 1]);
    measured($kind, $this->folder('derived').'/proxy', true);
    $count = readingOf($kind)->length();
    expect(numbersIn('-i', $this->folder('derived').'/proxy/proxy.mp4'))->toBe(expectedNumbers($kind, $count));
})->with(['numbered', 'numbered-open', 'numbered-stream', 'numbered-uneven']);

it('analyses on the queue behind every run, shows it, and gives way', function () {
    $cut = $this->bringIn('leftover');
    expect($this->answer($this->getJson('/api/strip'), 'strip')['activities'])
        ->toMatchArray([
            [
                'kind' => 'analyse',
                'name' => 'Leftover',
                'what' => 'analysis',
                'page' => "/cuts/{$cut['id']}",
                'running' => false,
                'percent' => 0,
                'secondsLeftLabel' => null,
            ],
        ])
        ->and($this->answer($this->getJson("/api/cuts/{$cut['id']}/analysis"), 'cut-analysis')['state'])
        ->toBe('waiting');
    // While a run is under way the analysis stays as it is.
    $this->post("/api/cuts/{$cut['id']}/pack")->assertStatus(202);
    expect(app(Worker::class)->one(['analyse']))
        ->toBeFalse()
        ->and(CutAnalysis::query()->first()->work->state)
        ->toBe(WorkState::Waiting);
    // Runs that wait for a drive or for room hold nothing up, and no more does another analysis that was put off.
    Work::query()->where('kind', Run::WORK)->update(['not_before' => Work::now(60)]);
    Work::query()->create([
        'kind' => 'analyse', 'subject' => 999, 'priority' => 10, 'wanted_at' => Work::now(), 'not_before' => Work::now(60),
    ]);
    $this->travel(10)->seconds();
    expect(app(Worker::class)->one(['analyse']))->toBeTrue();
    Work::query()->where('kind', Run::WORK)->update(['state' => WorkState::Done]);
    $done = $this->answer($this->getJson("/api/cuts/{$cut['id']}/analysis"), 'cut-analysis');
    expect($done['state'])
        ->toBe('done')
        ->and($done['result']['suggestedRange']['lastFrame'])
        ->toBe(99)
        ->and($this->get($done['proxy'])->assertOk()->headers->get('content-type'))
        ->toBe('video/mp4')
        ->and(
            $this->get($done['proxy'], ['Range' => 'bytes=0-'])
                ->assertStatus(206)
                ->headers->get('content-range'),
        )
        ->toStartWith('bytes 0-')
        ->and($this->get($done['strip'])->assertOk()->headers->get('content-type'))
        ->toBe('image/jpeg')
        ->and($this->answer($this->getJson('/api/strip'), 'strip')['activities'])
        ->toBe([]);
    $curves = $this->answer($this->getJson("/api/cuts/{$cut['id']}/curves?columns=30"), 'curves');
    expect($curves['detail'])->toHaveCount(30)->and($curves['peak'][22])->toBe(0)->and($curves['peak'][2])->toBeGreaterThan(0.05);
    $this->deleteJson("/api/cuts/{$cut['id']}")->assertNoContent();
    expect($this->left('derived'))->toBe([]);
});

it('looks first at the cut whose sheet was opened last', function () {
    $ids = array_map(fn (string $kind): int => $this->bringIn($kind)['id'], ['silent', 'plain', 'few']);
    $this->postJson("/api/cuts/{$ids[0]}/sheet/wanted")->assertOk();
    $this->travel(1)->seconds();
    $this->postJson("/api/cuts/{$ids[2]}/sheet/wanted")->assertOk();
    // The figures that a sheet waits for come before.
    $this->work('sample');
    app(Worker::class)->one(['analyse']);
    $done = fn (): array => CutAnalysis::query()
        ->get()
        ->filter(fn (CutAnalysis $analysis): bool => $analysis->work->state === WorkState::Done)
        ->pluck('cut_id')
        ->all();
    expect(array_values($done()))->toBe([$ids[2]]);
    $this->work('analyse');
    expect($done())->toHaveCount(3);
});

it('takes up what a process left that was ended, and tries nothing twice that failed for its own reason', function () {
    $id = $this->bringIn('few')['id'];
    $other = $this->bringIn('silent')['id'];
    $work = fn (int $cut): Work => CutAnalysis::query()->firstWhere('cut_id', $cut)->work;
    $work($id)->update(['state' => WorkState::Running, 'owner' => 'gone', 'lease_until' => Work::now(-1)]);
    $work($other)->update(['state' => WorkState::Failed, 'error' => 'The file is damaged.']);
    Artisan::call('crate:catch-up');
    $this->work('analyse');
    expect([$work($id)->state, $work($other)->state])
        ->toBe([WorkState::Done, WorkState::Failed])
        ->and($this->answer($this->postJson("/api/cuts/{$other}/analysis"), 'cut-analysis', 202)['state'])
        ->toBe('waiting');
    $this->work('analyse');
    expect($work($other)->state)->toBe(WorkState::Done);
});

it('says in the analysis when the file has changed, and where it cannot be decoded', function () {
    $id = $this->bringIn('leftover')['id'];
    file_put_contents($this->folder('media').'/leftover.mp4', 'more', FILE_APPEND);
    $this->work('analyse');
    expect($this->getJson("/api/cuts/{$id}/analysis")->json('error'))->toContain('changed or gone');
    $damaged = file_get_contents(Clips::make('long'));
    $media = strpos($damaged, 'mdat') + 4;
    file_put_contents(
        $path = $this->folder('media').'/damaged.mp4',
        substr_replace($damaged, str_repeat("\0", strlen($damaged) - $media - 100), $media, strlen($damaged) - $media - 100),
    );
    $reading = readingOf('long');
    app(Analyser::class)->measure(
        $reading,
        $path,
        new Workspace($this->folder('derived').'/damaged'),
        false,
        fn () => null,
        fn (): bool => false,
    );
})->throws(EngineFailed::class);

it('keeps the prober and the analysis within their limits', function () {
    config(['crate.engine.limits.analysis.memory' => 30_000_000]);
    expect(fn () => measured('plain'))->toThrow(EngineFailed::class);
    $slow = $this->folder('derived').'/slow';
    file_put_contents($slow, "#!/bin/sh\nsleep 30\n");
    chmod($slow, 0o755);
    config(['crate.engine.prober' => $slow, 'crate.engine.limits.looks.seconds' => 1]);
    expect(fn () => app(CutReader::class)->read(Clips::make('plain')))->toThrow(EngineFailed::class, 'took too long');
    file_put_contents($slow, "#!/bin/sh\nwhile :; do head -c 1000000 /dev/zero | tr '\\0' '{'; done\n");
    config(['crate.engine.limits.looks.seconds' => 30]);
    expect(fn () => app(CutReader::class)->read(Clips::make('plain')))->toThrow(OuterCrate\Reading\Unreadable::class);
});

it('hears nothing more of a program that went astray, when it is ended and when it is forgotten', function () {
    $astray = $this->folder('derived').'/astray';
    file_put_contents($astray, "#!/bin/sh\nyes & yes & yes\n");
    chmod($astray, 0o755);
    config(['crate.engine.encoder' => $astray]);
    for ($i = 0; $i < 5; $i++) {
        expect(app(Runner::class)->listen(CapabilityCommand::version()))->toBe('');
        gc_collect_cycles();
    }
    $heard = 0;
    $take = function () use (&$heard): void {
        $heard++;
        throw new Stopped;
    };
    expect(fn () => app(Runner::class)->lines(CapabilityCommand::version(), $take))->toThrow(Stopped::class)
        ->and(fn () => app(Runner::class)->pieces(CapabilityCommand::version(), 1_000, $take))->toThrow(Stopped::class);
    gc_collect_cycles();
    expect($heard)->toBe(2);
});

it('shows exactly the frame that was asked for', function (string $kind) {
    $cut = $this->bringIn($kind);
    $expected = expectedNumbers($kind, $cut['frames']);
    $frames = [0, 1, 23, 43, 47, 48, 49, 77, $cut['frames'] - 1];
    foreach ($frames as $frame) {
        file_put_contents(
            $stills = $this->folder('derived').'/stills.mjpeg',
            $this->get("/api/cuts/{$cut['id']}/frames/{$frame}?large=1")
                ->assertOk()
                ->streamedContent(),
            FILE_APPEND,
        );
    }
    expect(numbersIn('-f', 'mjpeg', '-i', $stills))->toBe(array_map(fn (int $frame): int => $expected[$frame], $frames));
    expect($this->answer($this->getJson("/api/cuts/{$cut['id']}/frames/{$cut['frames']}"), 'error', 422)['error']['message'])->toContain(
        'There is no frame',
    );
})->with(['numbered', 'numbered-open', 'numbered-stream', 'numbered-uneven']);

it('keeps the frames that were looked at while an analysis begins anew, and forgets those of another file', function () {
    $cut = Cut::query()->find($this->bringIn('plain')['id']);
    $frame = app(ExactFrames::class)->of($cut, 3, false);
    Workspace::ofCut($cut->id)->begin();
    expect(is_file($frame))->toBeTrue();
    touch($cut->path, $cut->modified + 60);
    $this->postJson("/api/cuts/{$cut->id}/read-again")->assertOk();
    app(ExactFrames::class)->of($cut->refresh(), 5, false);
    expect(is_file($frame))->toBeFalse();
});

it('packs exactly the frames of a range, from any kind of file', function (string $kind, array $outputs) {
    $cut = $this->bringIn($kind);
    $sheet = [
        'range' => ['first' => 33, 'last' => 71],
        'outputs' => array_map(
            fn (array $output, int $i): array => ['key' => (string) $i, 'host' => null, 'edits' => (object) [], ...$output],
            $outputs,
            array_keys($outputs),
        ),
    ];
    $answer = $this->answer($this->putJson("/api/cuts/{$cut['id']}/sheet", $sheet), 'sheet');
    expect($answer['range'])->toMatchArray(['frames' => 39, 'set' => true, 'whole' => false]);
    $pack = $this->post("/api/cuts/{$cut['id']}/pack")
        ->assertStatus(202)
        ->json('pack');
    $this->work();
    foreach ($this->getJson("/api/packs/{$pack}")->json('runs') as $i => $run) {
        ['first' => $first, 'last' => $last] = $outputs[$i]['range'] ?? $sheet['range'];
        expect($run['state'])
            ->toBe('done', (string) $run['error'])
            ->and(numbersIn('-i', $run['path']))
            ->toBe(array_slice(expectedNumbers($kind, $cut['frames']), $first, $last - $first + 1))
            ->and(array_column($run['slip']['differences'], 'text', 'cell'))
            ->not->toHaveKeys(['frameRate', 'audio']);
    }
})->with([
    [
        'numbered',
        [
            ['preset' => 'archive-10-bit'],
            ['preset' => 'lanternwick-generous', 'host' => 'lanternwick'],
            ['preset' => 'review-720', 'range' => ['first' => 0, 'last' => 0]],
        ],
    ],
    ['numbered-open', [['preset' => 'lossless-vault'], ['preset' => 'slow-line', 'range' => ['first' => 90, 'last' => 95]]]],
    ['numbered-stream', [['preset' => 'archive-10-bit'], ['preset' => 'lanternwick-even', 'host' => 'lanternwick']]],
    ['numbered-uneven', [['preset' => 'archive-10-bit'], ['preset' => 'lanternwick-even', 'host' => 'lanternwick']]],
]);

it('gives a range at another rate its full length', function (int $last, int $frames) {
    $cut = $this->bringIn('slow');
    $this->putJson("/api/cuts/{$cut['id']}/sheet", [
        'range' => ['first' => 3, 'last' => $last],
        'outputs' => [
            [
                'key' => '1', 'preset' => 'lanternwick-even', 'host' => 'lanternwick',
                'edits' => ['frameRate' => ['exact' => '30'], 'frameSize' => ['fit' => '320×180']],
            ],
        ],
    ])->assertOk();
    $pack = $this->post("/api/cuts/{$cut['id']}/pack")->json('pack');
    $this->work();
    $run = $this->getJson("/api/packs/{$pack}")->json('runs.0');
    expect($run['plan']['frames'])
        ->toBe($frames)
        ->and(array_column($run['slip']['differences'], 'cell'))
        ->not->toContain('frameRate')
        ->and(
            (int) (new Process([
                'ffprobe', '-v', 'error', '-select_streams', 'v', '-count_packets', '-show_entries', 'stream=nb_read_packets',
                '-of', 'csv=p=0',
                $run['path'],
            ]))
                ->mustRun()
                ->getOutput(),
        )
        ->toBe($frames);
})->with([[3, 2], [9, 14], [14, 24]]);

it('keeps picture and sound of a range together, and gives a master its timecode', function () {
    // The tone begins at two seconds, with a white picture.
    $path = $this->folder('media').'/clap.mov';
    (new Process([
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', "color=black:s=320x180:r=25:d=4,drawbox=c=white:t=fill:enable='gte(t,2)'",
        '-f', 'lavfi', '-i', "aevalsrc='0.5*sin(2*PI*1000*t)*gte(t,2)':s=48000:d=4", '-c:v', 'libx264', '-g', '100', '-pix_fmt',
        'yuv420p', '-c:a', 'pcm_s16le', '-timecode', '10:00:00:00',
        $path,
    ]))->mustRun();
    $cut = $this->postJson('/api/cuts', ['path' => $path])->json('cut');
    $this->putJson("/api/cuts/{$cut['id']}/sheet", [
        'range' => ['first' => 40, 'last' => 79],
        'outputs' => [['key' => '1', 'preset' => 'archive-10-bit', 'host' => null, 'edits' => (object) []]],
    ])->assertOk();
    $pack = $this->post("/api/cuts/{$cut['id']}/pack")->json('pack');
    $this->work();
    $run = $this->getJson("/api/packs/{$pack}")->json('runs.0');
    $samples = unpack(
        's*',
        (new Process(['ffmpeg', '-v', 'error', '-i', $run['path'], '-ac', '1', '-f', 's16le', '-']))->mustRun()->getOutput(),
    );
    $begins = array_key_first(array_filter($samples, fn (int $sample): bool => abs($sample) > 1000));
    $luma = str_split(
        (new Process([
            'ffmpeg', '-v', 'error', '-i',
            $run['path'],
            '-an',
            '-vf',
            'scale=1:1:flags=area,format=gray',
            '-f',
            'rawvideo',
            '-',
        ]))
            ->mustRun()
            ->getOutput(),
    );
    $white = array_key_first(array_filter($luma, fn (string $byte): bool => ord($byte) > 127));
    expect($white)
        ->toBe(10)
        ->and(abs($begins / 48_000 - 0.4))
        ->toBeLessThan(0.001)
        ->and(app(CutReader::class)->read($run['path'])['reading']->timecode(0))
        ->toEqual(app(CutReader::class)->read($path)['reading']->timecode(40));
});

it('refuses a range that the cut does not have, and keeps the one before', function (array $range, string $at) {
    $id = $this->bringIn('plain')['id'];
    $output = ['key' => '1', 'preset' => 'review-720', 'host' => null, 'edits' => (object) []];
    $this->putJson("/api/cuts/{$id}/sheet", ['range' => ['first' => 5, 'last' => 9], 'outputs' => [$output]])->assertOk();
    $body = $at === '/range' ? ['range' => $range, 'outputs' => [$output]] : ['outputs' => [[...$output, 'range' => $range]]];
    expect(array_column($this->answer($this->putJson("/api/cuts/{$id}/sheet", $body), 'error', 422)['error']['faults'], 'path'))
        ->toContain($at)
        ->and($this->getJson("/api/cuts/{$id}/sheet")->json('range.first'))
        ->toBe(5);
})->with([
    [['first' => 10, 'last' => 5], '/range'],
    [['first' => 0, 'last' => 50], '/range'],
    [['first' => -1, 'last' => 5], '/range'],
    [['first' => 60, 'last' => 70], '/outputs/0/range'],
]);

it('gives the analysis to scripts', function () {
    $process = new Process([base_path('bin/crate'), 'read', Clips::make('leftover'), '--analyse', '--json'], null, [
        ...TestDatabase::another(dirname($this->folder('derived'))),
        'CRATE_DERIVED' => $this->folder('derived'),
    ]);
    $process->mustRun();
    expect(app(App\Schema\Contract::class)->faults(json_decode($process->getOutput()), 'reading'))
        ->toBe([])
        ->and(json_decode($process->getOutput(), true)['analysis'])
        ->toMatchArray(['scan' => 'progressive'])
        ->and(json_decode($process->getOutput(), true)['analysis']['leftover'][0])
        ->toMatchArray(['firstFrame' => 125, 'lastFrame' => 149]);
});
