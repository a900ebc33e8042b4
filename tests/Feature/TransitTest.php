<?php

use App\Desk\CutDesk;
use App\Engine\Runner;
use App\Media\StepStore;
use App\Models\Cut;
use App\Models\TransitTest;
use App\Models\WorkState;
use App\Schema\Contract;
use App\Transit\Encoded;
use App\Transit\HeldEncoder;
use App\Transit\Reel;
use App\Transit\RightBefore;
use App\Transit\Tries;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Transit\Why;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\Process;

/** A frame as the engine itself gives it, in bytes of red, green and blue. */
function rgb(string $path, int $frame = 0): string
{
    $process = new Process([
        'ffmpeg', '-v', 'error', '-nostdin', '-i', $path,
        '-vf', "select=eq(n\\,{$frame}),scale=flags=bicubic+accurate_rnd+full_chroma_int,format=rgb24",
        '-frames:v', '1', '-f', 'rawvideo', '-',
    ]);

    return $process->mustRun()->getOutput();
}

/** Loudness of a file in LUFS, as the engine's normaliser finds it. */
function integrated(string $path): float
{
    $process = new Process(['ffmpeg', '-nostdin', '-i', $path, '-af', 'loudnorm=print_format=json', '-f', 'null', '-']);
    preg_match('~"input_i" : "(\S+)"~', $process->mustRun()->getErrorOutput(), $m);

    return (float) ($m[1] ?? 0);
}

beforeEach(function (): void {
    $this->ask = fn (array $cut, array $asked = [], int $status = 202): array => $this->answer(
        $this->postJson("/api/cuts/{$cut['id']}/tests", $asked + ['host' => 'lanternwick']),
        $status === 202 ? 'transit-test-answer' : 'error',
        $status,
    );
    $this->result = function (array $test): array {
        $this->work('transit');

        return $this->answer($this->getJson("/api/tests/{$test['test']['id']}"), 'transit-test-answer')['test'];
    };
    $this->pixels = fn (string $address): string => rgb($this->get($address)->assertOk()->getFile()->getPathname());
    /** Two uploads, one of which has much to spend. */
    $this->two = [
        ['preset' => 'lanternwick-even', 'edits' => ['bitrate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 100]]]],
        ['preset' => 'lanternwick-even', 'edits' => ['bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 600]]]],
    ];
    /** One by quality through a host that goes by quality, which takes an encoding each. */
    $this->quick = [
        'host' => 'platen',
        'outputs' => [['preset' => 'platen-1080', 'edits' => ['bitrate' => ['mode' => 'quality', 'quality' => 24]]]],
        'screens' => [480],
    ];
    /** Two pieces, held to a rate by an engine that logs what it is told: what encodes them, and its passes of a number. */
    $this->held = function (): array {
        $log = $this->folder('out').'/../engine-log';
        $engine = $this->folder('out').'/../logging';
        file_put_contents($engine, "#!/bin/sh\necho \"$*\" >> {$log}\nexec ffmpeg \"$@\"\n");
        chmod($engine, 0o755);
        $cut = Cut::query()->findOrFail($this->bringIn()['id']);
        // Half of the cut has nearly all of the bits: twice the average, which is no more than the peak.
        $reel = new Reel($cut->path, 'two-pieces', $cut->reading(), [
            new TestPiece(new FrameRange(0, 24), 0.5, 1.0, Why::Busiest, 10_000.0, 200),
            new TestPiece(new FrameRange(25, 49), 0.5, 1.0, Why::Typical, 100.0, 200),
        ]);
        config(['crate.engine.encoder' => $engine]);
        $encode = function (int $kbps, float $near = HoldRate::NEAR, float $peak = 2) use ($cut, $reel): Encoded {
            $rate = ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => $kbps], 'peak' => ['timesAverage' => $peak]];
            $output = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => ['bitrate' => $rate]];
            $plan = app(CutDesk::class)->columns($cut, $cut->reading(), [$output])[0]->plan;

            return app(HeldEncoder::class)->encode($reel, $reel->material(), $plan, fn (): bool => false, near: $near);
        };

        return [$encode, fn (int $pass): array => array_values(preg_grep("~ -pass {$pass} ~", file($log)))];
    };
    $this->made = fn (string $ending): array => array_values(array_filter(
        $this->left('derived/transit'),
        fn (string $name): bool => str_ends_with($name, $ending),
    ));
});

it('sends candidates through a host and says what is left of each, and does nothing twice', function () {
    $cut = $this->bringIn();
    $first = ($this->result)(($this->ask)($cut, ['outputs' => [$this->two[1]], 'screens' => [480]]));
    $made = $this->left('derived/transit');
    $again = ($this->result)(($this->ask)($cut, ['outputs' => [$this->two[1]], 'screens' => [480]]));
    expect($this->left('derived/transit'))->toBe($made)
        ->and($again['result']['candidates'])->toBe($first['result']['candidates']);

    $test = ($this->result)(($this->ask)($cut, ['outputs' => $this->two, 'screens' => [480]]));
    $result = $test['result'];
    [$poor, $rich] = $result['candidates'];
    expect(array_diff($made, $this->left('derived/transit')))->toBe([])
        ->and($rich['upload'])->toBe($first['result']['candidates'][0]['upload'])
        ->and(array_diff_key($rich['after'][0], ['margin' => 0]))
        ->toBe(array_diff_key($first['result']['candidates'][0]['after'][0], ['margin' => 0]))
        ->and(array_filter($this->left('derived/transit'), fn (string $name): bool => str_contains($name, 'partial')))->toBe([])
        ->and($test['state'])->toBe('done')
        ->and($test['candidates'][1]['edits']['bitrate']['average']['kbps'])->toBe(600)
        ->and($result['sampled'])->toBe(['frames' => 50, 'of' => 50, 'share' => 1])
        ->and($result['pieces'][0])->toMatchArray(['firstFrame' => 0, 'lastFrame' => 49, 'why' => 'whole'])
        // The host takes what the upload had too much of; neither comes back better than it went.
        ->and($rich['upload']['ssimDb'])->toBeGreaterThan($poor['upload']['ssimDb'] + 3)
        ->and($rich['after'][0]['ssimDb'])->toBeLessThan($rich['upload']['ssimDb'])
        ->and($poor['after'][0]['ssimDb'])->toBeLessThan($poor['upload']['ssimDb'] + 0.01)
        ->and($rich['after'][0]['ssimDb'])->toBeGreaterThan($poor['after'][0]['ssimDb'])
        ->and($rich['after'][0])
        ->toMatchArray(['rendition' => 360, 'tier' => 'basic', 'codec' => 'H.264', 'frame' => '320×180', 'shift' => 0])
        // Pieces are held to the rate of the whole.
        ->and(abs($rich['upload']['bitrate'] / 600_000 - 1))->toBeLessThan(HoldRate::NEAR)
        ->and(count($rich['after'][0]['detailKept']))->toBe(4)
        ->and($rich['upload']['detailKept'][0])->toBeGreaterThan($poor['upload']['detailKept'][0])
        ->and(abs($rich['after'][0]['toneShift']))->toBeLessThan(0.02)
        ->and($result['recommended']['why'])->toContain('dB SSIM on a screen of 480 lines')
        ->and($result['edge'])->toHaveCount(2);

    // The sound goes the same way: heard by the engine's other meter in what the host made of it.
    $sound = $rich['sound'];
    $heard = fn (string $name): float => integrated("{$this->folder}/derived/transit/{$name}");
    $played = array_filter(($this->made)('.nut'), fn (string $name): bool => abs($heard($name) - $sound['loudness']) < 0.15);
    expect($played)->not->toBe([])
        ->and(abs($sound['loudness'] - -15))->toBeLessThan(0.5)
        ->and(abs($sound['upload']['loudness'] + $sound['gain'] - $sound['loudness']))->toBeLessThan(0.5 + $sound['pressed']);

    // What was tested is known where the cut is planned, until the cut is another.
    $known = App\Models\Cut::query()->findOrFail($cut['id']);
    $tested = app(App\Desk\Surroundings::class)->of($known)->tested;
    expect(array_map(fn ($upload): array => [$upload->bytes, $upload->tier, $upload->screen], array_slice($tested, 0, 2)))
        ->toBe([[$poor['upload']['bytes'], 'basic', 480], [$rich['upload']['bytes'], 'basic', 480]]);
    $known->fingerprint = 'another';
    expect(app(App\Desk\Surroundings::class)->of($known)->tested)->toBe([]);

    // Whoever looks at the size alone is told another, and nothing is made for that.
    $before = $this->left('derived/transit');
    $small = $this->getJson("/api/tests/{$test['id']}?size=2&making=0&sending=0&quality=0")->json('test.result.recommended.name');
    expect($small)->toBe($poor['name'])->and($this->left('derived/transit'))->toBe($before);

    expect($this->answer($this->getJson("/api/tests/{$test['id']}/json"), 'transit')['candidates'])->toBe($result['candidates']);
    $lines = explode("\r\n", trim($this->get("/api/tests/{$test['id']}/csv")->assertOk()->getContent()));
    expect($lines)->toHaveCount(3)
        ->and(array_combine(str_getcsv($lines[0], escape: ''), str_getcsv($lines[1], escape: '')))
        ->toMatchArray(['candidate' => $poor['name'], 'uploadWanted' => '100000', 'recommended' => '0'])
        ->toMatchArray(['screen' => '480', 'rendition' => '360']);
});

it('shows the same frame of the cut, of an upload and of what came back, pixel by pixel', function () {
    $cut = $this->bringIn('few');
    $test = ($this->result)(($this->ask)($cut, $this->quick));
    $view = $this->answer($this->getJson("/api/tests/{$test['id']}/compare"), 'comparison-view');
    $pixels = fn (string $source, int $frame): string => ($this->pixels)("/api/tests/{$test['id']}/pictures/{$source}/{$frame}");

    expect(array_column($view['sources'], 'id'))->toBe(['cut', '0-upload', '0-480'])
        ->and($view)->toMatchArray(['frames' => 12, 'width' => 320, 'height' => 180])
        ->and($view['sources'][2]['curve'])->toHaveCount(12)
        // Another client decodes the cut itself: the reel lost nothing, and no frame has moved.
        ->and($pixels('cut', 7))->toBe(rgb($cut['path'], 7))
        ->and($pixels('0-upload', 7))->not->toBe($pixels('cut', 7))
        ->and($pixels('0-480', 7))->not->toBe($pixels('0-upload', 7))
        ->and(strlen($pixels('0-480', 11)))->toBe(320 * 180 * 3);
    $this->answer($this->getJson("/api/tests/{$test['id']}/pictures/cut/12"), 'error', 404);
    $this->answer($this->getJson("/api/tests/{$test['id']}/pictures/nothing/0"), 'error', 404);
    Illuminate\Support\Facades\File::deleteDirectory($this->folder('derived/transit'));
    expect($this->answer($this->getJson("/api/tests/{$test['id']}/pictures/cut/3"), 'error', 422)['error']['message'])
        ->toContain('no longer kept. Test again');
});

it('shows what was made beside its cut, from the first frame of its range', function () {
    $cut = App\Models\Cut::query()->find($this->bringIn()['id']);
    $run = $this->made($cut, ['preset' => 'lossless-vault', 'host' => null, 'edits' => []], new OuterCrate\Units\FrameRange(20, 29));
    $view = $this->answer($this->getJson("/api/runs/{$run->id}/compare"), 'comparison-view');
    $pixels = fn (string $source, int $frame): string => ($this->pixels)("/api/runs/{$run->id}/pictures/{$source}/{$frame}");

    expect($view['spans'])->toBe([['at' => 0, 'first' => 20, 'last' => 29, 'label' => '00:00:00:20']])
        ->and($pixels('cut', 3))->toBe(rgb($cut->path, 23))
        ->and($pixels('made', 3))->toBe($pixels('cut', 3));
});

it('shows files of the media folders beside each other, and where one lost what another has', function () {
    [$first, $poor] = [$this->clip('few'), $this->folder('media').'/poor.mkv'];
    (new Process(['ffmpeg', '-v', 'error', '-nostdin', '-i', $first, '-vf', 'gblur=2,scale=160:90', '-an', $poor]))->mustRun();
    $asked = '?'.http_build_query(['file' => [$first, $poor]]);
    $view = $this->answer($this->getJson("/api/files/compare{$asked}"), 'comparison-view');
    expect($view)->toMatchArray(['cut' => null, 'frames' => 12, 'width' => 320, 'height' => 180])
        ->and(array_column($view['sources'], 'detail'))->toBe(['few.mp4', 'poor.mkv'])
        // Shown at the size of the first.
        ->and(strlen(($this->pixels)("/api/files/pictures/1/7{$asked}")))->toBe(320 * 180 * 3)
        ->and(($this->pixels)("/api/files/pictures/0/7{$asked}"))->toBe(rgb($first, 7));
    $faults = $this->answer($this->getJson("/api/files/faults/1/7{$asked}"), 'fault-map');
    $none = $this->answer($this->getJson("/api/files/faults/0/7{$asked}"), 'fault-map');
    expect($faults['words'])->toContain('detail lost in')
        ->and(count($faults['lost']))->toBe($faults['columns'] * $faults['rows'])
        ->and($none['words'])->toBe('')
        ->and(array_filter($none['lost']))->toBe([]);
    $error = fn (array $files, int $status = 422): string => $this->answer(
        $this->getJson('/api/files/compare?'.http_build_query(['file' => $files])),
        'error',
        $status,
    )['error']['message'];
    expect($error([$first]))->toContain('Two or three files')
        ->and($error([$first, '/etc/hostname']))->toContain('outside the media folders')
        ->and($error([$first, $first.'x']))->toContain('no such file');
    $this->answer($this->getJson("/api/files/faults/1/12{$asked}"), 'error', 404);
});

it('holds an HDR cut against what an SDR host shows of it, through one tone map on both sides', function () {
    $cut = $this->bringIn('hdr');
    $test = ($this->result)(($this->ask)($cut, $this->quick));
    $after = $test['result']['candidates'][0]['after'][0];
    $view = $this->answer($this->getJson("/api/tests/{$test['id']}/compare"), 'comparison-view');
    $bytes = fn (string $source): string => ($this->pixels)("/api/tests/{$test['id']}/pictures/{$source}/3");
    $pixels = fn (string $source): array => array_values((array) unpack('C*', $bytes($source)));
    $off = array_map(fn (int $own, int $other): int => abs($own - $other), $pixels('cut'), $pixels('0-upload'));
    expect($view['hdr'])->toBeTrue()
        ->and($after['codec'])->toBe('H.264')
        ->and($test['result']['candidates'][0]['upload']['ssimDb'])->toBeGreaterThan(15)
        ->and(abs($after['toneShift']))->toBeLessThan(0.02)
        // Colours too: with the matrix of BT.601 in place of BT.709's they were 9.1 off on the mean; 4:2:0 at quality 24 is 3.2.
        ->and(array_sum($off) / count($off))->toBeLessThan(5);
});

it('finds a shift of frames, and measures as if there were none', function (string $filter, int $shift) {
    $cut = App\Models\Cut::query()->find($this->bringIn()['id']);
    $makers = app(App\Transit\ReelMaker::class);
    $range = new OuterCrate\Units\FrameRange(0, 49);
    $go = fn (): bool => false;
    $reel = $makers->reel($cut->path, $cut->fingerprint, $cut->reading(), $makers->pieces($cut, $cut->reading(), $range, 6), $go);
    $shifted = $this->folder('out').'/shifted.mkv';
    (new Process(['ffmpeg', '-v', 'error', '-nostdin', '-i', $reel->path, '-an', '-vf', $filter, '-c:v', 'ffv1', $shifted]))->mustRun();
    $material = new App\Transit\Material($shifted, $filter, app(App\Media\CutReader::class)->read($shifted)['reading']);
    $figures = app(App\Transit\Likeness::class)->of($reel, $material, $go);

    expect($figures['shift'])->toBe($shift)
        ->and($figures['detailKept'])->toEqual([1, 1, 1, 1])
        ->and(array_sum(array_slice($figures['frames'], 0, 40)) / 40)->toBeGreaterThan(99);
})->with([
    'early' => ['trim=start_frame=2,setpts=PTS-STARTPTS', -2],
    'late' => ['tpad=start=2:start_mode=clone', 2],
]);

it('tells the second pass how full a decoder’s buffer is where busy pieces begin, and the first one nothing', function () {
    [$encode, $passes] = ($this->held)();
    $encoded = $encode(200, peak: 1.1);

    expect($passes(1))->toHaveCount(1)
        ->and($passes(1)[0])->toContain('-bufsize')->not->toContain('-rc_init_occupancy')
        ->and($passes(2))->not->toBe([])
        ->and(is_file($encoded->path))->toBeTrue();
    foreach ($passes(2) as $line) {
        preg_match('~-bufsize (\d+) .*-rc_init_occupancy (\d+)~', $line, $told);
        // The busy one would take 1.92 times the average, 1.75 times the peak: 0.45 less 0.26 of what that is over 1.35.
        expect($told[2] / $told[1])->toEqualWithDelta(0.346, 0.001)->and($line)->not->toContain('-i_qfactor');
    }
});

it('does not hold pieces back where the whole lies under its peak', function () {
    [$encode, $passes] = ($this->held)();
    $encode(200, peak: 2);
    foreach ($passes(2) as $line) {
        // Their keyframes are no better than those of the whole are on the mean of what follows them.
        expect($line)->toContain('-maxrate 400000 ')->toContain('-i_qfactor 0.8333')->not->toContain('-rc_init_occupancy');
    }
});

it('tells of what goes by quality what its file comes out as', function () {
    $cut = $this->bringIn('few');
    $upload = ($this->result)(($this->ask)($cut, $this->quick))['result']['candidates'][0]['upload'];
    [$run] = packed($cut['id'], [['host' => 'platen'] + $this->quick['outputs'][0]]);
    $sizes = ['-select_streams', 'v', '-show_entries', 'packet=size', '-of', 'csv=p=0'];
    $probe = new Process(['ffprobe', '-v', 'error', ...$sizes, $run['path']]);
    $picture = array_sum(array_map(intval(...), explode("\n", $probe->mustRun()->getOutput())));

    // All twelve frames were tested: the encoder makes the same of the same.
    expect(abs($upload['bitrate'] / ($picture * 8 * 25 / 12) - 1))->toBeLessThan(0.01)
        ->and($upload['wanted'])->toBeNull()
        ->and($upload['bytes'])->toBeGreaterThan($picture);
});

it('begins where files of the same kind came out right, and keeps kinds apart', function () {
    $right = fn (?string $alike): RightBefore => new RightBefore(new StepStore, $alike);
    expect($right('a')->times())->toBeNull();
    $right('a')->add(0.5, true);
    $right('a')->add(2.0, false);
    $right('b')->add(1.5, false);
    $right(null)->add(9.0, true);

    expect([$right('a')->times(), $right('b')->times(), $right(null)->times()])->toEqualWithDelta([1.0, 1.5, null], 1e-12)
        ->and([$right('a')->wasBound(), $right('b')->wasBound(), $right(null)->wasBound()])
        ->toBe([true, false, false]);
});

it('encodes pieces once where the first try is near enough, and again where it is not', function () {
    [$encode, $passes] = ($this->held)();
    $encode(200, near: 10.0);
    expect($passes(2))->toHaveCount(1);
    $encode(220, near: 0.0);
    expect(count($passes(2)))->toBeGreaterThan(2)->and($passes(1))->toHaveCount(2);
});

it('takes for parts what is shorter than keyframes are apart, and is not all of a cut', function (Why $why, int $frames, bool $isOfParts) {
    $cut = Cut::query()->findOrFail($this->bringIn('few')['id']);
    $piece = fn (Why $why, int $frames): TestPiece => new TestPiece(new FrameRange(0, $frames - 1), 0.5, 1.0, $why);
    $reel = new Reel($cut->path, 'pieces', $cut->reading(), [$piece(Why::Typical, 10), $piece($why, $frames)]);

    expect($reel->isOfParts(50))->toBe($isOfParts);
})->with([
    'shorter' => [Why::Typical, 49, true],
    'as long' => [Why::Chosen, 50, false],
    'all of a short cut' => [Why::Whole, 12, false],
]);

it('keeps pictures as they come to the encoder, which makes the same of them as of the file', function () {
    $cut = Cut::query()->findOrFail($this->bringIn()['id']);
    $output = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => ['frameSize' => ['fit' => '214×120']]];
    // Without a peak: an encoder that keeps to one does not make the same twice.
    $plan = app(CutDesk::class)->columns($cut, $cut->reading(), [$output])[0]->plan
        ->atBitrate(new BitrateValue(BitrateMode::Vbr, 2, new Bitrate(200_000)));
    $made = function (bool $keeps) use ($cut, $plan): string {
        $passes = app(PassBuilder::class)->passes($plan, $cut->reading(), witnessed: false);
        $tries = new Tries(app(Runner::class), $cut->path, $keeps, fn (): bool => false);
        $tries->make($tries->passes($passes), $file = $this->folder('out').'/'.($keeps ? 'kept' : 'anew').'.mp4');
        if ($keeps) {
            // What a later one takes of the file is its sound alone.
            $black = $this->folder('out').'/black.mov';
            $dark = ['-vf', 'drawbox=t=fill:c=black', '-c:v', 'prores', '-c:a', 'copy', $black];
            (new Process(['ffmpeg', '-v', 'error', '-nostdin', '-i', $cut->path, ...$dark]))->mustRun();
            rename($black, $cut->path);
            $tries->make($tries->passes($passes), $file);
        }
        $tries->end();

        return hash_file('sha256', $file);
    };

    expect($plan->frameSize->frame->height)->toBe(120)
        ->and($made(false))->toBe($made(true));
});

it('makes candidates around a column, and names them by what they are', function () {
    $cut = $this->bringIn();
    $this->putJson("/api/cuts/{$cut['id']}/sheet", ['range' => null, 'outputs' => [
        ['key' => 'a', 'host' => 'lanternwick', ...$this->two[0]],
    ]])->assertOk();
    $test = ($this->ask)($cut, ['grid' => ['output' => 0, 'times' => [0.5, 1, 2], 'steps' => [0, 1]]]);

    expect(array_column($test['test']['candidates'], 'name'))->toBe([
        "50\u{2009}kb/s", "50\u{2009}kb/s, one size up", "100\u{2009}kb/s", "100\u{2009}kb/s, one size up",
        "200\u{2009}kb/s", "200\u{2009}kb/s, one size up",
    ])->and($test['test']['candidates'][5]['edits']['frameSize']['step'])->toBe(1)
        ->and($this->answer($this->getJson("/api/cuts/{$cut['id']}/tests"), 'transit-test-list')['tests'][0]['candidates'])->toBe(6);
    $latest = fn (int $cut): ?array => $this->answer($this->getJson("/api/cuts/{$cut}/tests/latest"), 'transit-latest-answer')['test'];
    expect($latest($cut['id'])['id'] ?? null)->toBe($test['test']['id'])->and($latest($this->bringIn('few')['id']))->toBeNull();
    $grid = ['output' => 0, 'passes' => [1, 2], 'codecs' => ['hevc'], 'keyframes' => [4], 'depths' => [8]];
    $wide = ($this->ask)($cut, ['grid' => $grid])['test']['candidates'];
    expect(array_column($wide, 'name'))->toBe([
        "100\u{2009}kb/s, 1 pass, HEVC, keyframes 4 s, 8-bit",
        "100\u{2009}kb/s, 2 passes, HEVC, keyframes 4 s, 8-bit",
    ])->and($wide[1]['edits'])->toMatchArray([
        'video' => ['codec' => 'hevc'],
        'keyframes' => ['seconds' => 4],
        'colour' => ['bitDepth' => 8],
    ])->and($wide[1]['edits']['bitrate'])->toMatchArray(['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 100]]);
});

it('cites no proof that an earlier version kept, and keeps none of a cut that was taken off for good', function () {
    $cut = App\Models\Cut::query()->find($this->bringIn()['id']);
    $test = TransitTest::query()->create(['cut_id' => $cut->id, 'host' => 'platen', 'card' => [], 'asked' => []]);
    $proof = App\Models\TransitProof::query()->create([
        'transit_test_id' => $test->id,
        'cut_id' => $cut->id,
        'fingerprint' => $cut->fingerprint,
        'uploads' => [['@' => 'Transit/NoLonger']],
    ]);
    expect(app(App\Desk\Surroundings::class)->of($cut)->tested)->toBe([]);
    $cut->forceDelete();
    expect($proof->fresh())->toBeNull();
});

it('is seen in the strip while it is under way', function () {
    $cut = $this->bringIn('few');
    ($this->ask)($cut, $this->quick);
    $strip = fn (): array => array_values(array_filter(
        $this->answer($this->getJson('/api/strip'), 'strip')['activities'],
        fn (array $activity): bool => $activity['kind'] === 'transit',
    ));
    expect($strip())->toBe([[
        'kind' => 'transit', 'name' => 'Few', 'what' => 'test through Platen', 'page' => "/cuts/{$cut['id']}/survives",
        'running' => false, 'percent' => 0, 'secondsLeftLabel' => null,
    ]]);
    $this->work('transit');
    expect($strip())->toBe([]);
});

it('is put down and taken up again, and stopped', function () {
    $cut = $this->bringIn('few');
    $asked = ($this->ask)($cut, $this->quick);
    $this->answer($this->getJson("/api/tests/{$asked['test']['id']}/csv"), 'error', 404);
    $test = TransitTest::query()->find($asked['test']['id']);
    // The process ends after the first upload was made.
    $worker = app(App\Work\Worker::class);
    $worker->one(['transit'], fn (): bool => count(($this->made)('.mp4')) > 0);
    expect($test->refresh()->work->state)->toBe(WorkState::Waiting);
    $half = ($this->made)('.mp4');
    $done = ($this->result)($asked);
    expect($done['state'])->toBe('done')->and(array_diff($half, ($this->made)('.mp4')))->toBe([]);

    $stopped = ($this->ask)($cut, ['outputs' => $this->two, 'screens' => [720]]);
    $this->answer($this->postJson("/api/tests/{$stopped['test']['id']}/stop"), 'transit-test-answer');
    expect(($this->result)($stopped))->toMatchArray(['state' => 'stopped', 'result' => null]);
});

it('makes an output in three ways, one of a master that is made first, and a preset of the one that is taken', function () {
    $cut = $this->bringIn('few');
    $outputs = [['key' => 'up', 'host' => 'platen'] + $this->quick['outputs'][0]];
    App\Models\Cut::query()->find($cut['id'])->update(['outputs' => $outputs]);
    $asked = ['host' => 'platen', 'routes' => ['output' => 0], 'screens' => [480]];
    $test = ($this->result)(($this->ask)($cut, $asked));
    $result = $test['result'];
    [$fast, $slow, $master] = $result['candidates'];
    expect(array_column($result['candidates'], 'name'))->toBe(['Fast, one pass', 'Slow, two passes', 'Master first'])
        ->and($fast['upload']['seconds'])->toBeLessThan($slow['upload']['seconds'])
        ->and($slow['upload']['seconds'])->toBeLessThan($master['upload']['seconds'])
        // The master came between: a file of its own, of which the upload was made, and which took nothing that could be told.
        ->and(($this->made)('.mov'))->toHaveCount(1)
        ->and($master['upload']['ssimDb'])->not->toBe($slow['upload']['ssimDb'])
        ->and($master['upload']['ssimDb'])->toEqualWithDelta($slow['upload']['ssimDb'], 1.0)
        ->and($test['output'])->toBe('up');

    $asked = ['name' => 'Fast for Platen', 'fromTest' => ['test' => $test['id'], 'candidate' => 'Fast, one pass']];
    $preset = $this->answer($this->postJson('/api/library/preset', $asked), 'library-item', 201);
    expect($preset['file']['rules']['video'])->toMatchArray(['effort' => 'fast'])
        ->and($preset['file']['rules']['bitrate'])->toMatchArray(['mode' => 'quality', 'quality' => 24])
        ->and($preset['file'])->toMatchArray(['role' => 'upload', 'host' => 'platen']);
    $none = ['name' => 'Other', 'fromTest' => ['candidate' => 'Nowhere'] + $asked['fromTest']];
    expect($this->answer($this->postJson('/api/library/preset', $none), 'error', 422)['error']['message'])->toContain('no candidate');
});

it('refuses what cannot be tested, and says what to do', function (array $asked, string $words, int $status = 422) {
    $cut = $this->bringIn();

    expect(($this->ask)($cut, $asked, $status)['error']['message'])->toContain($words)
        ->and(TransitTest::query()->count())->toBe(0);
})->with([
    'no upload' => [['host' => 'orrery'], 'There is no upload to test. Add an upload'],
    'a host that is not there' => [['host' => 'nowhere'], 'nowhere'],
    'another shape' => [
        ['outputs' => [['preset' => 'lanternwick-even', 'edits' => ['frameSize' => ['exact' => '320×320', 'shape' => 'pad']]]]],
        'has another shape than the cut',
    ],
    'too many' => [['outputs' => array_fill(0, 61, ['preset' => 'lanternwick-even'])], 'at most 60 entries'],
    'weights of nothing' => [
        ['outputs' => [['preset' => 'lanternwick-even']], 'weights' => ['size' => 0, 'making' => 0, 'sending' => 0, 'quality' => 0]],
        'Something has to count',
    ],
    'a single frame' => [
        ['outputs' => [['preset' => 'lanternwick-even']], 'chosen' => [['first' => 7, 'last' => 7]]],
        'Take two frames or more',
    ],
    'routes of nothing' => [['routes' => ['output' => 7]], 'no such output'],
    'a grid around nothing' => [['grid' => ['output' => 7]], 'no such output'],
]);

it('knows a host that has no ladder', function () {
    $cut = $this->bringIn();
    $this->postJson('/api/library/host', ['name' => 'Plain place'])->assertCreated();

    expect(($this->ask)($cut, ['host' => 'plain-place', 'outputs' => [['preset' => 'lanternwick-even']]], 422)['error']['message'])
        ->toContain('has no ladder', 'Give it tiers');
});

it('says so when the cut has changed meanwhile', function () {
    $cut = $this->bringIn();
    $asked = ($this->ask)($cut, ['outputs' => $this->two]);
    file_put_contents($cut['path'], 'x', FILE_APPEND);

    expect(($this->result)($asked))->toMatchArray(['state' => 'failed'])
        ->and(TransitTest::query()->first()->work->error)->toContain('has changed or gone', 'test again');
});

it('forgets the oldest of what it made when there is too much', function () {
    $store = new StepStore;
    foreach (['a', 'b', 'c'] as $age => $name) {
        touch($store->file($name, 'bin', fn (string $path) => file_put_contents($path, str_repeat('x', 100))), time() - 100 + $age);
    }
    $store->file('a', 'bin', fn () => throw new Exception('It is there.'));
    $store->prune(250);

    expect($store->find('a.bin'))->not->toBeNull()->and($store->find('b.bin'))->toBeNull()->and($store->find('c.bin'))->not->toBeNull()
        ->and(fn () => $store->file('d', 'bin', fn (string $path) => throw new Exception(file_put_contents($path, 'half'))))
        ->toThrow(Exception::class)
        ->and($this->left('derived/transit'))->toHaveCount(2);
});

it('is reached by command, in the shape that scripts rely on', function () {
    $this->clip('few', 'few.mp4');
    $arguments = ['test', 'few.mp4', '--host=platen', '--candidate=slow-line', '--screen=480', '--pieces=2'];
    $result = $this->crate(...$arguments, ...['--json']);
    $wrong = $this->crate('test', 'few.mp4', '--host=lanternwick', '--candidate=lanternwick-even', '--screen=500');

    expect($result->getExitCode())->toBe(0)
        ->and(app(Contract::class)->faults(json_decode($result->getOutput()), 'transit'))->toBe([])
        ->and($this->crate(...$arguments, ...['--csv'])->getOutput())->toStartWith('candidate,bytes,')
        ->and([$wrong->getExitCode(), $wrong->getErrorOutput()])->toBe([2, "--screen is one of 480, 720, 1080, 1440, 2160.\n"]);
});
