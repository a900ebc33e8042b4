<?php

use App\Engine\Capabilities;
use App\Library\BrokenFile;
use App\Library\Hosts;
use App\Library\Presets;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Models\Speed;
use App\Models\WorkState;
use App\Packing\MakeFile;
use App\Work\Meter;
use App\Work\WorkQueue;
use OuterCrate\Encoding\Progress;

it('gives a finished file its name or the next free version, never another’s', function () {
    $wanted = $this->folder('out').'/master.mov';
    file_put_contents($wanted, 'first');
    file_put_contents($this->folder('out').'/master v2.mov', 'second');
    $file = OutputFile::at($wanted, 'run7');
    expect(basename($file->partial))->toStartWith('.');
    file_put_contents($file->partial, 'third');
    expect($file->publish())
        ->toBe($this->folder('out').'/master v3.mov')
        ->and(
            array_map(fn (string $name): string => file_get_contents($this->folder('out')."/{$name}"), [
                'master.mov', 'master v2.mov', 'master v3.mov',
            ]),
        )
        ->toBe(['first', 'second', 'third'])
        ->and($this->left('out'))
        ->toHaveCount(3);
});

it('deletes partial files of a run under any version name, and no others', function () {
    $names = fn (string $wanted): array => [".{$wanted}.run7-1.partial", ".{$wanted}.run7-2.partial.aside"];
    $own = [...$names('master.mov'), ...$names('master v3.mov')];
    $others = [
        '.master.mov.run70-1.partial', '.review.mov.run7-1.partial', '.master v2.mov.run7-1.partial', 'master.mov.run7-1.partial',
        '.master.run7-1.partial.mov.run5-1.partial', '.master.mov.run7-1.part',
    ];
    foreach (['master v3 v2.mov' => $names('master v3.mov'), 'master v3.mov' => $own] as $name => $goes) {
        array_map(fn (string $left): string => $this->file("../out/{$left}", 'x'), [...$own, ...$others]);
        OutputFile::discardLeftovers($this->folder('out')."/{$name}", 'run7-');
        expect($this->left('out'))->toEqualCanonicalizing([...array_diff($own, $goes), ...$others]);
    }
});

it('says which folder cannot be used', function () {
    file_put_contents($this->folder('out').'/file', '');
    expect(fn () => OutputFile::at($this->folder('out').'/file/below/master.mov', 'x'))->toThrow(FileProblem::class, 'cannot be made');
});

it('finds the free space of a folder that is yet to be made', function () {
    expect(Drive::freeBytes($this->folder('out').'/not/yet/there'))->toBe(Drive::freeBytes($this->folder('out')));
});

it('reads shipped files and names the fault of a broken one', function (array $file, string $fault) {
    config(['crate.presets' => $this->folder('media')]);
    file_put_contents(
        $this->folder('media').'/mine.json',
        json_encode(
            $file + ['format' => 'outer-crate/preset', 'version' => 1, 'name' => 'Mine', 'role' => 'upload', 'rules' => (object) []],
        ),
    );
    copy(base_path('presets/review-720.json'), $this->folder('media').'/whole.json');
    $presets = app(Presets::class);
    // The others work, and whoever asks for this one is told why not.
    expect(array_keys($presets->all()))
        ->toBe(['whole'])
        ->and($presets->brokenInWords()[0]['fault'])
        ->toContain($fault)
        ->and(fn () => $presets->need('mine'))
        ->toThrow(BrokenFile::class, $fault);
})->with([
    'another version' => [['version' => 9], 'mine.json is not in its format: /version'],
    'a role that is none' => [['role' => 'poster'], '/role'],
    'a rule that is none' => [['rules' => ['bitrate' => ['mode' => 'fastest']]], '/rules/bitrate/mode'],
    'a key that is none' => [['colour' => 'blue'], 'not in its format'],
]);

it('ships presets and hosts that are in their format, and presets whose host is there', function () {
    $hosts = app(Hosts::class)->all();
    expect(array_keys($hosts))
        ->toBe(['lanternwick', 'orrery', 'platen', 'tallgate'])
        ->and(count(app(Presets::class)->all()))
        ->toBeGreaterThanOrEqual(3);
    foreach (app(Presets::class)->all() as $preset) {
        expect($preset->host === null || isset($hosts[$preset->host]))
            ->toBeTrue()
            ->and($preset->about)
            ->not->toBe('');
    }
});

it('takes files as they are now, whoever has held them for an hour', function () {
    config(['crate.presets' => $this->folder('media'), 'crate.devices' => $this->folder('derived')]);
    copy(base_path('presets/hd-disc.json'), $this->folder('media').'/disc.json');
    $device = file_get_contents(base_path('devices/hd-disc.json'));
    file_put_contents($this->folder('derived').'/hd-disc.json', $device);
    $name = fn (): string => app(Presets::class)->need('disc')->device->name;
    $before = $name();
    file_put_contents($this->folder('derived').'/hd-disc.json', str_replace("\"{$before}\"", '"Disc of another name"', $device));
    // For a second, what was read is good enough.
    usleep(1_050_000);
    expect($before)->not->toBe('Disc of another name')->and($name())->toBe('Disc of another name');
});

it('lets a broken file stop neither the shelf nor the queue', function () {
    config(['crate.presets' => $this->folder('media')]);
    $this->file('broken.json', '{"format": ');
    $this->getJson('/api/cuts')->assertOk();
    $this->getJson('/api/queue')->assertOk();
    expect($this->answer($this->getJson('/api/presets'), 'preset-list')['broken'][0]['fault'])->toContain('broken.json');
});

it('blends new timings into what it has learnt', function () {
    Speed::learn('h264/medium/1', 10_000_000);
    Speed::learn('h264/medium/1', 20_000_000);
    expect(Speed::find('h264/medium/1')->pixels_per_second)->toBe(13_000_000);
});

it('meters progress over all passes and never says 100 before the end', function () {
    $work = $this->aRun(state: WorkState::Running)->work;
    $meter = new Meter(app(WorkQueue::class), $work, app(MakeFile::class), fn (): bool => false);
    $seen = [];
    $frames = [];
    foreach ([[50, 0, 40], [100, 0, 40], [0, 40, 60], [50, 40, 60], [400, 40, 60]] as [$done, $before, $weight]) {
        $share = (new Progress($done, 25.0, 0, true))->shareOf(100, 4.0);
        $meter->note(($before + $weight * $share) / 100, ['frames' => (int) (100 * $share)], true);
        $seen[] = $work->refresh()->percent;
        $frames[] = $work->frames;
    }
    expect($seen)
        ->toBe([20, 40, 40, 70, 99])
        ->and($frames)
        ->toBe([50, 100, 0, 50, 100]);
});

it('knows which graphics chips really code on this machine', function () {
    $engine = $this->folder('out').'/engine';
    file_put_contents(
        $engine,
        <<<'SH'
        #!/bin/sh
        case "$*" in
            *-version*) echo "ffmpeg version 7.0" ;;
            *-encoders*) echo " V....D h264_nvenc  x"; echo " V..... hevc_qsv  x"; echo " V..... libx264  x" ;;
            *h264_nvenc*) exit 0 ;;
            *hevc_qsv*) kill -SEGV $$ ;;
            *) exit 1 ;;
        esac
        SH
        ,
    );
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    expect(app(Capabilities::class)->hardware())->toBe(['h264_nvenc']);
    config(['crate.engine.encoder' => '/nowhere/engine']);
    expect(app(Capabilities::class)->hardware())->toBe([]);
});
