<?php

use App\Media\Workspace;
use App\Shelf\CutShelf;
use OuterCrate\Encoding\Elements\Ebml;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\Process;

it('tells a file that it is a 360 picture, and the file still plays', function (string $container, bool $fastStart) {
    $run = delivered('plain', 'review-720', [
        'frameSize' => ['projection' => 'equirectangular'],
        'container' => ['set' => $container, 'fastStart' => $fastStart],
    ]);
    expect(unwanted($run))
        ->toBe([])
        ->and($run->slip['reading']['video'][0]['projection'])
        ->toBe('equirectangular')
        ->and($run->slip['reading']['fastStart'])
        ->toBe($fastStart)
        ->and(hash_file('sha256', $run->file))
        ->toBe($run->slip['sha256'])
        ->and((new Process(['ffmpeg', '-v', 'error', '-xerror', '-i', $run->file, '-f', 'null', '-']))->run())
        ->toBe(0)
        ->and($this->left('out'))
        ->toBe([basename($run->file)]);
})->with([['mp4', true], ['mp4', false], ['mov', true]]);

it('leaves the black bars of a cut out, and nothing of its picture', function () {
    $run = delivered('boxed', 'review-720', ['frameSize' => ['bars' => 'trim'], 'bitrate' => ['mode' => 'quality', 'quality' => 12]], true);
    expect(unwanted($run))
        ->toBe([])
        ->and([$run->slip['reading']['video'][0]['width'], $run->slip['reading']['video'][0]['height']])
        ->toBe([320, 140]);
    $compared = new Process([
        'ffmpeg', '-nostdin', '-hide_banner', '-i',
        $run->file,
        '-f',
        'lavfi',
        '-i',
        'testsrc2=s=320x140:r=25:d=2',
        '-lavfi',
        '[0:v]format=yuv420p[a];[1:v]format=yuv420p[b];[a][b]psnr',
        '-f',
        'null',
        '-',
    ]);
    $compared->mustRun();
    expect(preg_match('~PSNR y:([\d.]+)~', $compared->getErrorOutput(), $m))->toBe(1)->and((float) $m[1])->toBeGreaterThan(30);
});

it('carries HDR10 metadata into streams, boxes and elements', function (string $preset) {
    $run = delivered('hdr10', $preset, []);
    expect(unwanted($run))
        ->toBe([])
        ->and($run->slip['reading']['video'][0]['mastering'])
        ->not->toBeNull()
        ->and($run->slip['reading']['video'][0]['mastering']['brightest'])
        ->toEqual(1000)
        ->and($run->slip['reading']['video'][0]['contentLight']['maxCll'] ?? null)
        ->toBe(1000);
})->with(['slow-line', 'archive-10-bit', 'lossless-vault']);

/** Where a Matroska file's list of places leads: identifiers that were promised, and those that are there. */
function places(string $path): array
{
    $head = file_get_contents($path);
    $base = Ebml::inside($head, Ebml::at($head, 0)[2]);
    [, $start, $end] = Ebml::at($head, $base);
    $list = array_filter(Ebml::children(substr($head, $start, $end - $start)), fn (array $child): bool => $child[0] === "\x4D\xBB");
    $promised = array_map(fn (array $place): array => array_column(Ebml::children($place[1]), 1, 0), array_values($list));

    return [
        array_map(fn (array $place): string => bin2hex($place["\x53\xAB"]), $promised),
        array_map(fn (array $place): string => bin2hex(Ebml::id($head, $base + hexdec(bin2hex($place["\x53\xAC"])))), $promised),
    ];
}

it('hands on nothing of an HDR picture that it no longer is', function () {
    $hdr = delivered('hdr10', 'lossless-vault', []);
    [$promised, $there] = places($hdr->file);
    expect($there)->toBe($promised)->and(count($promised))->toBeGreaterThan(2);
    // Decoders say more of a checksum that does not fit.
    $decoded = (new Process(['ffmpeg', '-v', 'warning', '-err_detect', 'crccheck', '-i', $hdr->file, '-f', 'null', '-']))->mustRun();
    expect($decoded->getErrorOutput())->toBe('');
    rename($hdr->file, $this->folder('media').'/graded.mkv');
    $cut = app(CutShelf::class)->bringIn($this->folder('media').'/graded.mkv', null, false);
    $said = fn (array $output): array => array_intersect_key(
        $this->made($cut, $output)->slip['reading']['video'][0],
        ['mastering' => 0, 'contentLight' => 0],
    );
    expect($cut->reading()->mainVideo()->contentLight?->brightestPixel)->toBe(1000);
    $nothing = ['mastering' => null, 'contentLight' => null];
    expect($said(['preset' => 'review-720', 'edits' => ['colour' => ['convert' => 'bt709']]]))
        ->toBe($nothing)
        ->and($said(['preset' => 'lossless-vault', 'edits' => ['colour' => ['hdr10' => 'none']]]))
        ->toBe($nothing);
});

it('leaves what it makes to its owner alone', function () {
    $run = delivered('plain', 'review-720', []);
    clearstatcache();
    $forOthers = fn (string $path): int => fileperms($path) & 0o77;
    expect([$forOthers($run->file), $forOthers(Workspace::ofCut($run->cut_id)->folder)])->toBe([0, 0]);
});

it('measures how bright an HDR picture gets, analysed or not, and writes it into the file', function (bool $analysed) {
    $run = delivered('pq-patch', 'slow-line', ['colour' => ['hdr10' => 'measure']], $analysed);
    $light = $run->slip['reading']['video'][0]['contentLight'];
    expect($light['maxCll'])->toBeGreaterThan(990)->toBeLessThan(1015)->and($light['maxFall'])->toBeGreaterThan(61)->toBeLessThan(65);
})->with([true, false]);

it('keeps fields in files that hold them, and blends or draws frames of another rate', function (
    string $kind,
    array $edits,
    string $scan,
    string $rate,
) {
    $run = delivered($kind, 'review-720', $edits);
    $video = $run->slip['reading']['video'][0];
    expect(unwanted($run))
        ->toBe([])
        ->and([$video['scan'], $video['frameRateLabel']])
        ->toBe([$scan, $rate]);
})->with([
    'H.264' => ['tape', ['frameSize' => ['follow' => 'stored'], 'frameRate' => ['fields' => 'keep']], 'tff', '29.97'],
    'MPEG-2 in a program stream' => [
        'tape',
        [
            'frameSize' => ['follow' => 'stored'],
            'frameRate' => ['fields' => 'keep'],
            'video' => ['codec' => 'mpeg2video'],
            'container' => ['set' => 'mpeg-ps'],
            'audio' => ['codec' => 'ac3'],
            'bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 3000], 'peak' => ['kbps' => 6000]],
        ],
        'tff',
        '29.97',
    ],
    'blended fields' => ['tape', ['frameRate' => ['fields' => 'blend']], 'progressive', '29.97'],
    'blended frames' => ['plain', ['frameRate' => ['exact' => '30', 'by' => 'blend']], 'progressive', '30'],
    'frames along the motion' => ['plain', ['frameRate' => ['exact' => '50', 'by' => 'motion']], 'progressive', '50'],
]);

it('shows the same colours in another space', function () {
    $colours = function (string $path): array {
        $process = new Process([
            'ffmpeg', '-v', 'error', '-i',
            $path,
            '-frames:v',
            '1',
            '-vf',
            'zscale=matrix=gbr:transfer=bt709:primaries=bt709:range=pc,format=gbrp,scale=8:8:flags=area,format=rgb24',
            '-f',
            'rawvideo',
            '-',
        ]);
        $process->mustRun();

        return array_values(unpack('C*', $process->getOutput()));
    };
    $as = fn (array $colour, string $preset = 'lossless-vault'): array => $colours(
        delivered('plain', $preset, ['colour' => $colour])->file,
    );
    $before = $as([]);
    $apart = fn (array $after): float => array_sum(array_map(fn (int $a, int $b): int => abs($a - $b), $before, $after)) / count($before);
    expect($apart($as(['convert' => 'bt601-625'])))
        ->toBeLessThan(2.0)
        ->and($apart($as(['range' => 'full'])))
        ->toBeLessThan(2.0)
        // UT Video can name two matrices alone: what is converted to BT.2020 gets that of BT.709.
        ->and($apart($as(['convert' => 'bt2020'], 'light-lossless')))
        ->toBeLessThan(2.0)
        // The samples stay, and what they are said to be changes what is seen.
        ->and($apart($as(['tag' => 'bt2020'])))
        ->toBeGreaterThan(4.0);
});

it('lifts the middle tones and leaves black and white alone', function () {
    $mean = function (array $colour): float {
        $run = delivered('gradient', 'lossless-vault', ['colour' => $colour]);
        $process = new Process(['ffmpeg', '-v', 'error', '-i', $run->file, '-frames:v', '1', '-vf', 'format=gray', '-f', 'rawvideo', '-']);
        $process->mustRun();
        $samples = unpack('C*', $process->getOutput());

        return array_sum($samples) / count($samples);
    };
    expect($mean(['gamma' => 1.3]))
        ->toBeGreaterThan($mean([]) + 5)
        ->and($mean(['gamma' => 0.8]))
        ->toBeLessThan($mean([]));
});

it('puts files where the name says', function () {
    $run = delivered('plain', 'review-720', ['file' => ['template' => '{cut} {height}p{fps} v{n}', 'folder' => 'for/{role}']]);
    expect($run->file)
        ->toBe($this->folder('out').'/for/review/Plain 180p25 v1.mp4')
        ->and(is_file($run->file))
        ->toBeTrue();
});

it('makes the sound alone', function (string $kind, string $preset, array $edits, string $container, string $codec) {
    $run = delivered($kind, $preset, $edits);
    expect($run->work->error)
        ->toBeNull()
        ->and(unwanted($run))
        ->toBe([])
        ->and($run->slip['reading']['container'])
        ->toBe($container)
        ->and($run->slip['reading']['video'])
        ->toBe([])
        ->and($run->slip['reading']['audio'][0]['codec'])
        ->toBe($codec)
        // A pure tone leaves a lossy codec without a use for its bits.
        ->and($run->slip['bytes'] / $run->plan['estimate']['bytes'])
        ->toBeGreaterThan($codec === 'aac' ? 0.2 : 0.94)
        ->toBeLessThan(1.06)
        ->and([$run->work->percent, $run->plan['values']['frameSize']['label']])
        ->toBe([100, '–']);
})->with([
    ['plain', 'sound-wav', [], 'wav', 'pcm_s24le'],
    ['long', 'sound-mp3', [], 'mp3', 'mp3'],
    ['surround', 'sound-wav', ['audio' => ['codec' => 'pcm', 'bitDepth' => 16]], 'wav', 'pcm_s16le'],
    ['long', 'sound-wav', ['container' => ['set' => 'm4a'], 'audio' => ['codec' => 'aac', 'kbps' => 256]], 'm4a', 'aac'],
]);

it('makes an image of every frame, in a folder that names them all', function (
    string $preset,
    string $ending,
    int $depth,
    array $edits = [],
) {
    $cut = app(CutShelf::class)->bringIn($this->clip('plain', '50 % off.mp4'), null, false);
    foreach ([1, 2] as $time) {
        $run = $this->made($cut, ['preset' => $preset, 'edits' => $edits], new FrameRange(10, 14));
        expect($run->work->error)
            ->toBeNull()
            ->and(unwanted($run))
            ->toBe([])
            ->and($run->slip['frames'])
            ->toBe(5)
            ->and($run->slip['reading']['video'][0]['bitDepth'])
            ->toBe($depth);
    }
    $shown = $this->answer($this->getJson('/api/queue'), 'queue')['runs'][0];
    expect([$shown['onDisk'], $shown['isFolder']])
        ->toBe([true, true])
        ->and($this->getJson("/api/runs/{$run->id}/file")->getStatusCode())
        ->toBe(404);
    $images = array_values(array_diff(scandir($run->file), ['.', '..', 'SHA256SUMS']));
    expect($run->file)
        ->toEndWith(' v2')
        ->and($images)
        ->toHaveCount(5)
        ->and($images[0])
        ->toEndWith("_000010.{$ending}")
        ->and((new Process(['sha256sum', '--check', '--quiet', 'SHA256SUMS'], $run->file))->run())
        ->toBe(0)
        ->and(array_filter(scandir($this->folder('out')), fn (string $name): bool => str_ends_with($name, 'partial')))
        ->toBe([]);
})->with([['frames-png', 'png', 8], ['frames-tiff-16', 'tif', 16], ['frames-png', 'jpg', 8, ['video' => ['codec' => 'mjpeg']]]]);

it('makes discs with the fields of the tape', function () {
    $run = delivered('tape', 'sd-disc-59-94', []);
    expect(unwanted($run))
        ->toBe([])
        ->and($run->slip['reading']['video'][0]['scan'])
        ->toBe('tff')
        ->and($run->slip['reading']['video'][0]['displayAspect'])
        ->toBe('4:3');
});

it('plans beside what is under way, whose names are taken', function () {
    $cut = $this->bringIn()['id'];
    $output = ['key' => 'a', 'preset' => 'review-720', 'host' => null, 'edits' => (object) []];
    $name = fn (): string => $this->answer($this->putJson("/api/cuts/{$cut}/sheet", ['outputs' => [$output]]), 'sheet')['outputs'][0][
        'plan'
    ]['values']['file']['name'];
    $first = $name();
    $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202);
    $second = $name();
    $this->work();
    expect([$first, $second, $name()])->toBe(['Plain review.mp4', 'Plain review v2.mp4', 'Plain review v2.mp4']);
    $this->answer($this->postJson("/api/cuts/{$cut}/pack", ['outputs' => [['preset' => 'sound-wav']]]), 'pack-answer', 202);
    $this->work();
    expect($this->left('out'))->toEqualCanonicalizing(['Plain review.mp4', 'Plain sound.wav']);
});

it('takes fields for fields that a file does not tell of', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip('fields-bottom'));
    $this->work('analyse');
    $cut->refresh();
    $output = fn (array $edits): array => ['preset' => 'lossless-vault', 'edits' => $edits];
    $finding = array_values(
        array_filter($this->columns($cut, [$output([])])[0]->findings, fn ($finding): bool => $finding->id === 'scan-mistold'),
    )[0];
    $patch = $finding->remedy->patch;
    expect($patch)->toBe(['frameRate' => ['source' => 'bff']]);
    // Rows of one field against those of the other: combs where something moved between the two.
    $combs = function (array $edits) use ($cut, $output): float {
        $run = $this->made($cut, $output($edits));
        $process = new Process([
            'ffmpeg', '-v', 'error', '-i',
            $run->refresh()->file,
            '-frames:v',
            '1',
            '-vf',
            'trim=start_frame=20,format=gray,scale=64:180:flags=neighbor',
            '-f',
            'rawvideo',
            '-',
        ]);
        $process->mustRun();
        $rows = array_map(fn (string $row): array => array_values(unpack('C*', $row)), str_split($process->getOutput(), 64));
        $sum = 0;
        for ($y = 1; $y < 178; $y++) {
            foreach ($rows[$y] as $x => $value) {
                $sum += max(
                    0,
                    min(abs($value - $rows[$y - 1][$x]), abs($value - $rows[$y + 1][$x])) - abs($rows[$y - 1][$x] - $rows[$y + 1][$x]),
                );
            }
        }

        return $sum;
    };
    expect($combs($patch + ['frameSize' => ['follow' => 'displayed']]))->toBeLessThan($combs([]) * 0.75);
});
