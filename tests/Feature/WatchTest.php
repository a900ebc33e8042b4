<?php

use App\Models\Cut;
use App\Models\Run;
use App\Models\WatchedFile;
use App\Models\WatchFolder;
use App\Models\WorkState;
use App\Watching\Watcher;
use Illuminate\Support\Facades\File;

beforeEach(function (): void {
    config(['crate.watch.settles' => 0.2, 'crate.deliveries' => $this->folder('deliveries')]);
    $this->watched = $this->folder('watched');
    File::makeDirectory($this->watched, recursive: true);
    $this->ask = fn (array $outputs, ?string $path = null, int $status = 200): array => $this->answer(
        $this->postJson('/api/watch-folders', ['path' => $path ?? $this->watched, 'outputs' => $outputs]),
        $status === 200 ? 'watch-folders' : 'error',
        $status,
    );
    $this->look = function (int $times = 1): void {
        for ($i = 0; $i < $times; $i++) {
            app(Watcher::class)->look();
            usleep(250_000);
        }
    };
    $this->files = fn (): array => $this->answer($this->getJson('/api/watch-folders'), 'watch-folders')['folders'][0]['files'];
});

it('brings in what has settled, and packs it with the presets of its folder', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null], ['preset' => 'lanternwick-even', 'host' => 'lanternwick']]);
    $clip = $this->clip('few');
    $arriving = "{$this->watched}/arriving.mp4";
    // It arrives in two halves.
    File::put($arriving, substr(File::get($clip), 0, 2000));
    File::put("{$this->watched}/.hidden.mp4", 'half a file');
    File::put("{$this->watched}/notes.txt", 'no video');
    ($this->look)();
    File::put($arriving, File::get($clip));
    ($this->look)();
    expect(($this->files)())->toMatchArray([['name' => 'arriving.mp4', 'state' => 'settling', 'error' => null, 'pack' => null]])
        ->and(Cut::query()->count())->toBe(0);
    ($this->look)(3);
    [$file] = ($this->files)();
    expect($file['state'])->toBe('packed')
        ->and(Run::query()->where('pack', $file['pack'])->pluck('name')->all())->toBe(['sound', 'Lanternwick']);
    $this->work();
    expect(Run::query()->get()->every(fn (Run $run): bool => $run->work->state === WorkState::Done))->toBeTrue()
        ->and(is_file($this->folder('deliveries').'/Arriving/Arriving Lanternwick.mp4'))->toBeTrue()
        ->and(is_file($arriving))->toBeTrue();
});

it('packs a file once, whoever looks, and another by its name again', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null]]);
    copy($this->clip('few'), "{$this->watched}/one.mp4");
    ($this->look)(4);
    // What a restart forgets is in no process.
    $this->app->forgetInstance(Watcher::class);
    ($this->look)(2);
    expect(Run::query()->count())->toBe(1);
    // Whoever packed it was ended before it could say so.
    WatchedFile::query()->update(['state' => WatchedFile::PACKING, 'pack' => null, 'updated_at' => now()->subHour()]);
    ($this->look)(3);
    expect(Run::query()->count())->toBe(1)->and(WatchedFile::query()->sole()->state)->toBe('packed');
    copy($this->clip('plain'), "{$this->watched}/one.mp4");
    ($this->look)(3);
    expect(Run::query()->count())->toBe(2);
});

it('tells where a file arrived what could not be made of it', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null]]);
    copy($this->clip('few'), "{$this->watched}/one.mp4");
    ($this->look)(4);
    config(['crate.engine.encoder' => 'no-such-engine']);
    $this->work();
    expect(($this->files)()[0])->toMatchArray(['name' => 'one.mp4', 'state' => 'failed'])
        ->and(($this->files)()[0]['error'])->toStartWith('sound: ')->toContain('no-such-engine');
});

it('leaves what is no media or not whole yet where it is, says why, and goes on with the others', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null]]);
    File::put("{$this->watched}/broken.mp4", str_repeat('no video at all', 200));
    copy($this->clip('few'), "{$this->watched}/whole.mp4");
    ($this->look)(3);
    expect(is_file("{$this->watched}/broken.mp4"))->toBeTrue()
        ->and(is_dir("{$this->watched}/Set aside"))->toBeFalse()
        ->and(WatchedFile::query()->where('name', 'broken.mp4')->value('error'))->toContain('This is not a video file')
        ->and(WatchedFile::query()->pluck('state', 'name')->all())->toBe(['broken.mp4' => 'refused', 'whole.mp4' => 'packed'])
        ->and(Run::query()->count())->toBe(1);
    // A copy that went on after a pause is packed once it is whole.
    copy($this->clip('plain'), "{$this->watched}/broken.mp4");
    ($this->look)(3);
    expect(WatchedFile::query()->orderBy('name')->pluck('state', 'name')->all())->toBe(['broken.mp4' => 'packed', 'whole.mp4' => 'packed']);
});

it('sets aside media that cannot be packed, but none that somebody is writing', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null]]);
    $file = "{$this->watched}/without sound.mp4";
    copy($this->clip('silent'), $file);
    $open = fopen($file, 'r+b');
    ($this->look)(3);
    $refused = WatchedFile::query()->sole();
    expect($refused->state)->toBe('refused')->and(is_file($file))->toBeTrue();
    fclose($open);
    touch($file, time() - 60);
    ($this->look)(3);
    $aside = "{$this->watched}/Set aside/without sound.mp4";
    expect(is_file($file))->toBeFalse()
        ->and(is_file($aside))->toBeTrue()
        ->and(file_get_contents("{$aside}.txt"))->toBe("{$refused->refresh()->error}\n");
});

it('watches no folder in which it would find what it made, and none that is not there', function (Closure $path, string $says) {
    $error = ($this->ask)([['preset' => 'sound-wav', 'host' => null]], $path->call($this), 422);
    expect($error['error']['message'])->toContain($says)->and(WatchFolder::query()->count())->toBe(0);
})->with([
    'gone' => [fn (): string => '/nowhere/at/all', 'There is no folder'],
    'not whole' => [fn (): string => 'watched', 'There is no folder'],
    'of the application' => [fn (): string => dirname($this->watched), 'own files are in'],
    'deliveries' => [function (): string {
        File::makeDirectory($this->folder('deliveries/within'), recursive: true);

        return $this->folder('deliveries/within');
    }, 'packed again and again'],
]);

it('is set by command, and taken back', function () {
    $folder = $this->folder('media').'/arrivals';
    File::makeDirectory($folder, recursive: true);
    $added = $this->crate('watch', 'add', 'arrivals', '--output=lanternwick-even');
    expect($added->getOutput())->toContain("{$folder}   lanternwick-even@lanternwick")
        ->and($this->crate('watch', 'remove', 'arrivals')->getOutput())->toBe('')
        ->and($this->crate('watch', 'remove', 'arrivals')->getErrorOutput())->toContain('is not watched')
        ->and($this->crate('watch', 'add', 'arrivals')->getErrorOutput())->toContain('Say what to make');
});

it('packs what arrives in a folder with thousands of files', function () {
    ($this->ask)([['preset' => 'sound-wav', 'host' => null]]);
    // As somebody has who has been at it for years: all of these were packed long ago.
    $known = [];
    foreach (range(1, 5_200) as $i) {
        touch($file = "{$this->watched}/a {$i}.mp4", 1_700_000_000);
        $known[] = [
            'watch_folder_id' => WatchFolder::query()->sole()->id, 'name' => basename($file), 'state' => WatchedFile::PACKED, 'bytes' => 0,
            'modified' => 1_700_000_000, 'since' => '2026-01-01 00:00:00.000',
        ];
    }
    foreach (array_chunk($known, 500) as $rows) {
        WatchedFile::query()->insert($rows);
    }
    copy($this->clip('few'), "{$this->watched}/z.mp4");
    ($this->look)(3);
    expect(WatchedFile::query()->where('name', 'z.mp4')->value('state'))->toBe('packed')->and(Run::query()->count())->toBe(1);
});
