<?php

use App\Desk\Surroundings;
use App\Media\Drive;
use App\Media\DriveProbe;
use App\Media\Mounts;
use App\Models\WorkState;
use App\Shelf\CutShelf;

/** Ids of what is noticed of a review file of a cut. */
function noticed(string $path, ?string $name = null): array
{
    $cut = app(CutShelf::class)->bringIn($path, $name, false);
    $plan = test()->columns($cut, [['preset' => 'review-720']])[0];

    return array_map(fn ($finding): string => $finding->id, $plan->findings);
}

it('points to the real file where a small one of its name was brought in', function (string $beside, int $times, bool $warned) {
    $cut = $this->clip('plain', 'bowl-study.mp4');
    file_put_contents($this->folder('media')."/{$beside}", str_repeat("\0", filesize($cut) * $times));
    expect(in_array('cut-may-be-wrong', noticed($cut), true))->toBe($warned);
})->with([
    'much larger and alike' => ['bowl-study master.mov', 5, true],
    'not much larger' => ['bowl-study master.mov', 3, false],
    'another name' => ['kiln-walk.mov', 9, false],
    'no video' => ['bowl-study.zip', 9, false],
]);

it('looks at the files beside a cut anew when its folder has changed', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip('plain', 'bowl-study.mp4'), null, false);
    $noticed = fn (): array => array_column($this->columns($cut, [['preset' => 'review-720']])[0]->findings, 'id');
    expect($noticed())->not->toContain('cut-may-be-wrong');
    $this->file('bowl-study master.mov', str_repeat("\0", $cut->bytes * 5));
    // A folder's time counts whole seconds on some drives.
    touch($this->folder('media'), time() + 2);
    clearstatcache();
    expect($noticed())->toContain('cut-may-be-wrong');
});

it('tries no graphics chip while someone waits for a sheet', function () {
    $cut = $this->bringIn()['id'];
    $engine = $this->folder('derived').'/engine';
    $tried = $this->folder('derived').'/tried';
    file_put_contents($engine, <<<SH
        #!/bin/sh
        case "$*" in
            *-encoders*) echo " V....D h264_nvenc  x"; echo " V..... libx264  x" ;;
            *nvenc*) touch '{$tried}'; sleep 30 ;;
            *) exec ffmpeg "$@" ;;
        esac
        SH);
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    $this->getJson("/api/cuts/{$cut}/sheet")->assertOk();
    $this->getJson('/api/machine')->assertOk();
    expect(file_exists($tried))->toBeFalse();
});

it('minds what the name of a cut says', function (string $file, string $expected) {
    expect(noticed($this->clip('plain', $file)))->toContain($expected);
})->with([['bowl proxy.mp4', 'cut-may-be-wrong'], ['bowl final FINAL.mp4', 'name-says-last']]);

it('is not misled by words that only contain one', function () {
    expect(noticed($this->clip('plain', 'finale of the old-fashioned.mp4')))
        ->not->toContain('name-says-last')
        ->and(noticed($this->clip('silent', 'drafty old kiln test.mp4')))
        ->not->toContain('cut-may-be-wrong');
});

it('knows which names are taken: on the disk whatever their case, and by what is under way', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip('plain', 'bowl.mp4'), 'Bowl', false);
    $name = fn (array $edits = []): string => $this->columns($cut, [['preset' => 'review-720', 'edits' => $edits]])[0]->plan->file->path();
    expect($name())->toBe('Bowl review.mp4');
    file_put_contents($this->folder('out').'/BOWL REVIEW.MP4', '');
    expect($name())->toBe('Bowl review v2.mp4');
    $this->aRun(['cut_id' => $cut->id, 'file' => $this->folder('out').'/Bowl review v2.mp4']);
    expect($name())->toBe('Bowl review v3.mp4')->and($name(['file' => ['folder' => 'deep/er']]))->toBe('deep/er/Bowl review.mp4');
});

it('knows the drive: how much is free, how it is formatted, and whether the cut lies on it', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip(), null, false);
    $volume = app(Surroundings::class)->of($cut, null, $this->folder('out').'/yet/to/be/made')->volume;
    expect($volume->freeBytes)
        ->toBeGreaterThan(0)
        ->and($volume->holdsCut)
        ->toBeTrue()
        ->and($volume->fileSystem)
        ->toBe(
            trim((string) shell_exec('stat -f -c %T '.escapeshellarg($this->folder('out')))) === 'tmpfs' ? 'tmpfs' : $volume->fileSystem,
        )
        ->and($volume->fileSystem)
        ->toBeString()
        ->not->toBe('');
});

it('asks drives also where it can note nothing down, as on a storage that is full', function () {
    app()->useStoragePath('/proc/outer-crate');
    expect(app(DriveProbe::class)->answers('/dev/shm'))->toBeTrue()
        ->and(app(DriveProbe::class)->answeredLately('/dev/shm'))->toBeTrue()
        ->and(Drive::freeBytes('/dev/shm'))->toBeGreaterThan(0);
});

it('takes a drive for silent only where a machine that is busy lets others answer', function (string $slow, bool $answers) {
    $programs = $this->folder('programs');
    is_dir($programs) || mkdir($programs);
    file_put_contents("{$programs}/stat", <<<SH
        #!/bin/sh
        case "$*" in *{$slow}*) sleep 2.5 ;; esac
        exec /usr/bin/stat "$@"
        SH);
    chmod("{$programs}/stat", 0o700);
    config(['crate.drives.patience' => 1]);
    $path = getenv('PATH');
    putenv("PATH={$programs}:{$path}");
    try {
        expect(app(DriveProbe::class)->answers('/dev/shm'))->toBe($answers);
    } finally {
        putenv("PATH={$path}");
    }
})->with(['a drive that hangs' => ['/dev/shm', false], 'a machine without time' => ['', true]]);

it('finds the drive that a path leads to by links, and looks at nothing that is mounted elsewhere', function () {
    $out = $this->folder('out');
    symlink('/dev/shm/../shm', "{$out}/up");
    symlink("{$out}/up/deep", "{$out}/further");
    symlink('itself', "{$out}/itself");
    mkdir("{$out}/plain");
    symlink('plain/../../out/up', "{$out}/beside");
    $points = array_map(
        fn (string $path): string => Mounts::point("{$out}/{$path}"),
        ['up', 'up/a/b.mov', 'further/b.mov', 'beside/b.mov', 'plain/b.mov', 'itself/b.mov', 'not there/b.mov', '../../dev/shm'],
    );
    $own = Mounts::point($out);
    expect($points)->toBe(['/dev/shm', '/dev/shm', '/dev/shm', '/dev/shm', $own, $own, $own, $own])
        ->and(Mounts::isOwn('/dev/shm'))->toBeFalse()
        ->and(Mounts::fileSystem('/dev/shm'))->toBe('tmpfs');
});

it('counts what waits in the queue into the room on the drive, less what is done of it', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip(), null, false);
    foreach ([[WorkState::Waiting, 0], [WorkState::Running, 75], [WorkState::Done, 100]] as [$state, $percent]) {
        $this->aRun(['cut_id' => $cut->id, 'plan' => ['estimate' => ['bytes' => 1_000_000]]], $state, ['percent' => $percent]);
    }
    expect(app(Surroundings::class)->of($cut)->volume->promisedBytes)->toBe(1_250_000);
});
