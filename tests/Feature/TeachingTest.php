<?php

use App\Library\Hosts;
use App\Models\Teaching;
use App\Models\WorkState;
use App\Schema\Contract;
use App\Transit\StandIn;
use App\Work\Worker;
use OuterCrate\Hosts\Host;
use Symfony\Component\Process\Process;

/** A host of other settings than any that ships, from its tiers. */
function hidden(array $tiers): Host
{
    $audio = ['codec' => 'aac', 'kbps' => 96, 'sampleRate' => 44_100, 'channels' => 2, 'loudness' => -16];
    $hosts = app(Hosts::class);
    $file = ['format' => 'outer-crate/host', 'version' => 1, 'name' => 'Hidden '.bin2hex(random_bytes(4)), 'asks' => new stdClass];
    $content = json_decode((string) json_encode($file + ['recompression' => ['tiers' => $tiers, 'audio' => $audio]]));

    return $hosts->need($hosts->create($hosts->read($content, 'Hidden'))->slug);
}

function rung(int $lines, string $codec, int $kbps, float $seconds = 1): array
{
    return ['shorterSide' => $lines, 'codec' => $codec, 'kbps' => $kbps, 'keyframeSeconds' => $seconds, 'speed' => 'fast'];
}

beforeEach(function (): void {
    /** An upload in the media folder, made by the engine alone. */
    $this->upload = function (string $name, string ...$arguments): string {
        $path = $this->folder('media')."/{$name}";
        (new Process(['ffmpeg', '-v', 'error', '-nostdin', '-y', ...$arguments, $path]))->mustRun();

        return $path;
    };
    $this->moving = fn (string $name, string $size, string $filters = 'null'): string => ($this->upload)(
        $name,
        ...['-f', 'lavfi', '-i', "mandelbrot=s={$size}:r=25:end_scale=0.05", '-f', 'lavfi', '-i', 'sine=f=330:r=48000', '-t', '2'],
        ...['-vf', $filters, '-ac', '2', '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '16', '-pix_fmt', 'yuv420p', '-c:a', 'aac'],
    );
    /** What a host makes of an upload, under names that say nothing. */
    $this->cameBack = function (string $upload, Host $host): array {
        $files = app(StandIn::class)->whole($upload, $host, dirname($upload), fn () => null);

        return array_map(function (string $file, int $i) use ($upload): string {
            $name = dirname($upload).'/download-'.substr(md5($upload), 0, 4)."-{$i}.mkv";
            rename($file, $name);

            return $name;
        }, $files, array_keys($files));
    };
    $this->ask = fn (string $host, array $lessons, int $status = 202): array => $this->answer(
        $this->postJson("/api/hosts/{$host}/teachings", ['lessons' => $lessons]),
        $status === 202 ? 'teaching-answer' : 'error',
        $status,
    );
    $this->taught = function (array $asked): array {
        $this->work('teach');

        return $this->answer($this->getJson("/api/teachings/{$asked['teaching']['id']}"), 'teaching-answer')['teaching'];
    };
});

it('learns tiers, ladder, rates, keyframes and sound of a host from two uploads, and becomes a version of it', function () {
    $tiers = [
        ['name' => 'tall', 'when' => [['shorterSide' => 180]], 'ladder' => [rung(96, 'vp9', 130)]],
        ['name' => 'low', 'ladder' => [rung(144, 'h264', 260, 0.8), rung(96, 'h264', 150, 0.8)]],
    ];
    $secret = hidden($tiers);
    $own = hidden([['name' => 'unknown', 'ladder' => [rung(96, 'h264', 500)]]]);
    $tall = ($this->moving)('kiln wide.mp4', '320x180');
    $low = ($this->upload)('kiln small.mp4', '-i', $tall, '-vf', 'scale=256:144', '-c:v', 'libx264', '-crf', '16', '-c:a', 'copy');
    [$ofTall, $ofLow] = [($this->cameBack)($tall, $secret), ($this->cameBack)($low, $secret)];

    // In any order, and by no name: which is the upload is seen.
    $teaching = ($this->taught)(($this->ask)($own->slug, [[...$ofTall, $tall], [$ofLow[1], $low, $ofLow[0]]]));
    $result = $teaching['result'];
    expect($teaching['state'])->toBe('done', (string) $teaching['error'])
        ->and(array_column(array_column($result['lessons'], 'upload'), 'name'))->toBe(['kiln wide.mp4', 'kiln small.mp4'])
        ->and($result['bordersHeld'])->toBeFalse();
    foreach ($result['recompression']['tiers'] as $i => $tier) {
        expect($tier['when'] ?? [])->toBe($tiers[$i]['when'] ?? []);
        foreach ($tier['ladder'] as $at => $rung) {
            $wanted = $tiers[$i]['ladder'][$at];
            expect($rung['codec'])->toBe($wanted['codec'])
                ->and($rung['shorterSide'])->toBe($wanted['shorterSide'])
                ->and(abs($rung['kbps'] / $wanted['kbps'] - 1))->toBeLessThan(0.1)
                ->and($rung['keyframeSeconds'])->toEqualWithDelta($wanted['keyframeSeconds'], 0.001);
        }
    }
    expect($result['recompression']['audio'])->toMatchArray(['codec' => 'aac', 'sampleRate' => 44_100, 'channels' => 2, 'loudness' => -16])
        ->and($result['next'])->toBe([]);
    // The stand-in, by what was learnt, makes what the host made: an encoding of half a second and two keyframes misses its average by
    // what a picture more or less costs.
    foreach (array_merge(...array_column($result['lessons'], 'renditions')) as $rendition) {
        expect(abs($rendition['standIn']['rateOff']))->toBeLessThan(0.1)->and(abs($rendition['standIn']['ssimOff']))->toBeLessThan(0.3);
    }

    $host = $this->answer($this->postJson("/api/teachings/{$teaching['id']}/save"), 'library-item');
    expect($host['slug'])->toBe($own->slug)->and($host['version'])->toBe(2)
        ->and($host['versions'][0]['note'])->toBe('Taught by kiln wide.mp4, kiln small.mp4')
        ->and($host['file']['recompression']['taughtBy'])->toHaveCount(2)
        ->and($host['unknown'])->toBe([])
        ->and(end($host['file']['sources'])['of'])->toBe('recompression')
        ->and(app(Hosts::class)->need($own->slug)->recompression?->lessons)->toBe(2);
    // Saved again, it says the same: no version more.
    expect($this->postJson("/api/teachings/{$teaching['id']}/save")->json('version'))->toBe(2);
});

it('tells a quality that leads from a rate, and stays as it was where nothing is shown', function () {
    $tiers = [['name' => 'all', 'ladder' => [
        ['shorterSide' => 96, 'codec' => 'h264', 'quality' => 30, 'keyframeSeconds' => 1, 'speed' => 'fast'],
    ]]];
    $secret = hidden($tiers);
    $known = hidden([['name' => 'everything', 'ladder' => [rung(180, 'vp9', 700), rung(96, 'h264', 500)]]]);
    $busy = ($this->moving)('busy.mp4', '192x108', 'noise=alls=20:allf=t');
    $calm = ($this->moving)('calm.mp4', '192x108', 'gblur=sigma=6');
    $lessons = [[$busy, ...($this->cameBack)($busy, $secret)], [$calm, ...($this->cameBack)($calm, $secret)]];
    $result = ($this->taught)(($this->ask)($known->slug, $lessons))['result'];
    [$tall, $low] = $result['recompression']['tiers'][0]['ladder'];
    expect($tall)->toMatchArray(['shorterSide' => 180, 'codec' => 'vp9', 'kbps' => 700])
        ->and($low)->not->toHaveKey('kbps')
        // By the rate alone: a step of the scale is an eighth of it, and the levels' encoders are not the same at each speed.
        ->and(abs($low['quality'] - 30))->toBeLessThanOrEqual(1)
        ->and($result['recompression']['tiers'][0]['name'])->toBe('everything')
        ->and($result['tiers'][0]['ladder'][0]['files'])->toBe(0)
        ->and(implode(' ', $result['remarks']))->toContain('one quality behind them');
});

it('refuses what teaches nothing, and says which file and what to do', function () {
    $own = hidden([['name' => 'all', 'ladder' => [rung(96, 'h264', 150)]]]);
    $upload = ($this->moving)('kiln.mp4', '192x108');
    $back = ($this->upload)('back.mkv', '-i', $upload, '-vf', 'scale=128:72', '-c:v', 'libx264', '-an');
    $other = ($this->upload)('street.mkv', '-f', 'lavfi', '-i', 'smptebars=s=128x72:r=25:d=2', '-c:v', 'libx264');
    $square = ($this->upload)('square.mkv', '-i', $upload, '-vf', 'crop=96:96', '-c:v', 'libx264', '-an');
    $old = ($this->upload)('old.avi', '-i', $upload, '-c:v', 'mpeg4', '-s', '128x72', '-an');
    copy($back, $this->folder('media').'/again.mkv');
    $error = fn (array $lessons): string => ($this->ask)($own->slug, $lessons, 422)['error']['message'];
    $fails = fn (array $files): string => (string) ($this->taught)(($this->ask)($own->slug, [$files]))['error'];
    expect($error([[$upload]]))->toContain('kiln.mp4 stands alone')
        ->and($error([[$upload, $upload]]))->toContain('kiln.mp4 is given twice')
        ->and($error([[$upload, $this->folder('media').'/gone.mkv']]))->toContain('There is no such file')
        ->and($error([[$upload, '/etc/hostname']]))->toContain('outside the media folders')
        ->and($fails([$upload, $back, $other]))->toContain('street.mkv does not show what kiln.mp4 shows')
        ->and($fails([$upload, $square]))->toContain('square.mkv has another shape')
        ->and($fails([$upload, $old]))->toContain('old.avi is MPEG-4')
        ->and($fails([$upload, $back, $this->folder('media').'/again.mkv']))->toContain('the same content')
        ->and($fails([$upload, $this->file('notes.mkv', 'not a video')]))->not->toBe('');
    $this->answer($this->postJson('/api/teachings/'.Teaching::query()->max('id').'/save'), 'error', 422);
    expect(app(Hosts::class)->entry($own->slug)->version)->toBe(1);
});

it('does to a whole file what a host does, sizes, keyframes and loudness, as other programs measure them', function () {
    $host = hidden([['name' => 'all', 'ladder' => [rung(96, 'h264', 150), rung(54, 'h264', 60, 0.4)]]]);
    $upload = ($this->moving)('kiln.mp4', '192x108');
    $before = $this->left('media');
    $files = app(StandIn::class)->whole($upload, $host, $this->folder('media').'/back', fn () => null);
    $told = fn (string $path, string $what): string => trim((new Process([
        'ffprobe', '-v', 'error', '-select_streams', 'v:0', '-show_entries', $what, '-of', 'csv=p=0', $path,
    ]))->mustRun()->getOutput());
    expect(array_map(fn (string $file): string => $told($file, 'stream=width,height'), $files))->toBe(['170,96', '96,54'])
        ->and(array_map(basename(...), $files))->toBe(['kiln 96p.mkv', 'kiln 54p.mkv'])
        ->and(substr_count($told($files[1], 'packet=flags'), 'K'))->toBe(5)
        ->and($this->left('media'))->toContain(...$before);
    $meter = new Process(['ffmpeg', '-nostdin', '-i', $files[0], '-af', 'ebur128', '-f', 'null', '-']);
    $meter->mustRun();
    preg_match_all('~I:\s+(-?[\d.]+) LUFS~', $meter->getErrorOutput(), $heard);
    // EBU R 128 allows a file half a unit of its target.
    expect((float) end($heard[1]))->toEqualWithDelta(-16.0, 0.5);
});

it('is put down and taken up again without doing anything twice, and is stopped', function () {
    $own = hidden([['name' => 'all', 'ladder' => [rung(96, 'h264', 150)]]]);
    $upload = ($this->moving)('kiln.mp4', '192x108');
    $back = ($this->upload)('back.mkv', '-i', $upload, '-vf', 'scale=170:96', '-c:v', 'libx264', '-b:v', '150k', '-an');
    $asked = ($this->ask)($own->slug, [[$upload, $back]]);
    $teaching = Teaching::query()->find($asked['teaching']['id']);
    // The process ends once the upload lies there without loss.
    $made = $this->folder('derived/transit');
    app(Worker::class)->one(['teach'], fn (): bool => is_dir($made) && $this->left('derived/transit') !== []);
    expect($teaching->refresh()->work->state)->toBe(WorkState::Waiting);
    $half = $this->left('derived/transit');
    expect(($this->taught)($asked)['state'])->toBe('done')->and(array_diff($half, $this->left('derived/transit')))->toBe([]);

    $stopped = ($this->ask)($own->slug, [[$upload, $back]]);
    $this->answer($this->postJson("/api/teachings/{$stopped['teaching']['id']}/stop"), 'teaching-answer');
    expect(($this->taught)($stopped))->toMatchArray(['state' => 'stopped', 'result' => null]);
    $list = $this->answer($this->getJson("/api/hosts/{$own->slug}/teachings"), 'teaching-list')['teachings'];
    expect(array_column($list, 'state'))->toBe(['stopped', 'done']);
});

it('is taught by command, and does again to a file what a host does', function () {
    $upload = ($this->moving)('kiln.mp4', '192x108');
    expect($this->crate('recompress', $upload, '--host=platen', '--into=back')->getExitCode())->toBe(0);
    $back = glob($this->folder('media').'/back/*') ?: [];
    $told = $this->crate('teach', 'platen', $upload, ...[...$back, '--save', '--json']);
    expect($told->getExitCode())->toBe(0, $told->getErrorOutput())
        ->and(app(Contract::class)->faults(json_decode($told->getOutput()), 'taught'))->toBe([])
        ->and(json_decode($this->crate('hosts', 'show', 'platen-my-own', '--json')->getOutput(), true)['version'])->toBe(1);
    $alone = $this->crate('teach', 'platen', $upload);
    expect($alone->getExitCode())->toBe(1)->and($alone->getErrorOutput())->toContain('stands alone');
});
