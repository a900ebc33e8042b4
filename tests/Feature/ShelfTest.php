<?php

use App\Media\SeparateReader;
use App\Models\Cut;
use App\Models\Run;
use App\Shelf\CutShelf;
use App\Shelf\SeparateReading;
use Illuminate\Support\Facades\DB;
use OuterCrate\Refusals\Refused;
use Tests\Support\TestDatabase;

beforeEach(function (): void {
    $this->list = fn (): array => $this->answer($this->getJson('/api/cuts'), 'cut-list');
});

it('takes a cut back with its sheet, and finds it by its file however that is called now', function (Closure $back) {
    $cut = $this->bringIn('plain', 'night.mp4');
    $this->putJson("/api/cuts/{$cut['id']}/sheet", ['range' => ['first' => 2, 'last' => 9], 'outputs' => [
        ['key' => 'a', 'preset' => 'review-720', 'host' => null, 'edits' => ['audio' => 'none']],
    ]])->assertOk();
    $run = $this->aRun(['cut_id' => $cut['id']], App\Models\WorkState::Done);
    $this->deleteJson("/api/cuts/{$cut['id']}")->assertNoContent();
    expect(($this->list)()['cuts'])->toBe([])
        ->and(($this->list)()['takenOff'][0])
        ->toMatchArray(['id' => $cut['id'], 'name' => 'Night', 'file' => 'night.mp4']);
    $this->answer($this->getJson("/api/cuts/{$cut['id']}/sheet"), 'error', 404);

    $back->call($this, $cut);
    $sheet = $this->answer($this->getJson("/api/cuts/{$cut['id']}/sheet"), 'sheet');
    expect(($this->list)()['takenOff'])->toBe([])
        ->and(array_column(($this->list)()['cuts'], 'id'))->toBe([$cut['id']])
        ->and($sheet['outputs'][0]['plan']['edits'])->toBe(['audio' => 'none'])
        ->and([$sheet['range']['first'], $sheet['range']['last']])->toBe([2, 9])
        ->and(Run::query()->find($run->id)->cut->id)->toBe($cut['id'])
        ->and($this->get($sheet['cut']['poster'])->getStatusCode())->toBe(200);
})->with([
    'taken back' => [fn (array $cut) => $this->postJson("/api/cuts/{$cut['id']}/take-back")->assertOk()],
    'brought in again' => [fn (array $cut) => $this->postJson('/api/cuts', ['path' => $cut['path']])->assertCreated()],
    'brought in from elsewhere' => [function (array $cut) {
        rename($cut['path'], $elsewhere = dirname($cut['path']).'/called anew.mp4');
        $this->postJson('/api/cuts', ['path' => $elsewhere])->assertCreated();
    }],
]);

it('finds, sorts and pages cuts', function () {
    $names = ['Bowl', 'Ähre', 'ember', 'Kiln'];
    $first = Cut::query()->findOrFail($this->bringIn('plain', 'Ash.mp4')['id']);
    foreach (range(1, 64) as $i) {
        $copy = $first->replicate(['search']);
        $copy->fill(['name' => $names[$i % 4]." {$i}", 'path' => "{$first->path}.{$i}", 'bytes' => 1000 - $i]);
        $copy->card = ['frames' => $i] + $copy->card;
        $copy->save();
    }
    $page = fn (string $query): array => $this->answer($this->getJson("/api/cuts?{$query}"), 'cut-list');
    $pages = function (string $query) use ($page): array {
        $list = $page($query);
        $next = $list['cursor'] === null ? [] : $page($query.'&cursor='.urlencode($list['cursor']))['cuts'];

        return [...$list['cuts'], ...$next];
    };
    expect(count($page('')['cuts']))->toBe(60)
        ->and(array_column($pages(''), 'id'))->toBe(Cut::query()->orderByDesc('id')->pluck('id')->all())
        ->and(array_column($pages('sort=durationLabel'), 'frames'))->toBe([...range(1, 50), ...range(50, 64)])
        ->and(array_column($pages('sort=bytesLabel&down=1'), 'bytes'))->toBe([$first->bytes, ...range(999, 936)])
        ->and(array_column(array_slice($pages('sort=name'), 0, 2), 'name'))->toBe(['Ash', 'Bowl 12'])
        ->and(array_column($page('search=%C3%84HRE%201&sort=frameSize')['cuts'], 'name'))->toContain('Ähre 1', 'Ähre 13', 'Ähre 61')
        ->and($page('search=ash.mp4+h.264')['found'])->toBe(1 + 64)
        ->and(collect($page('search=kiln'))->only('total', 'found')->all())->toBe(['total' => 65, 'found' => 16]);
    $this->answer($this->getJson('/api/cuts?sort=name&cursor='.urlencode($page('sort=bytesLabel')['cursor'])), 'error', 422);
    expect($page('cursor=x')['cuts'])->toHaveCount(60);
    $first->update(['name' => 'Glaze']);
    expect(array_column($page('search=glaze')['cuts'], 'id'))->toBe([$first->id]);
});

it('takes a cut back whose file has gone, and says so', function () {
    $cut = $this->bringIn('plain', 'night.mp4');
    $this->deleteJson("/api/cuts/{$cut['id']}")->assertNoContent();
    unlink($cut['path']);
    expect($this->postJson("/api/cuts/{$cut['id']}/take-back")->assertOk()->json('cut.fileState'))->toBe('gone');
    $this->postJson("/api/cuts/{$cut['id']}/take-back")->assertNotFound();
    expect(Cut::query()->count())->toBe(1);
});

it('finds every file of large media folders, the newest first', function () {
    foreach (range(1, 5_100) as $i) {
        touch($this->folder('media')."/take {$i}.mp4", 1_700_000_000 + $i);
    }
    touch($this->folder('media').'/Ólafur’s bowl.mp4', 1_600_000_000);
    $all = $this->answer($this->getJson('/api/media'), 'media-list');
    expect($all['found'])->toBe(5_101)
        ->and($all['files'])->toHaveCount(1_000)
        ->and($all['files'][0]['name'])->toBe('take 5100.mp4')
        ->and($this->getJson('/api/media?offset=5000')->json('files.*.name'))->toHaveCount(101)
        ->and($this->getJson('/api/media?search='.rawurlencode('BOWL ólaf'))->json('files.*.name'))->toBe(['Ólafur’s bowl.mp4']);
});

it('lists what is there when a media folder disappears', function () {
    mkdir($gone = $this->folder('gone'));
    touch("{$gone}/one.mp4");
    $this->file('two.mp4', 'x');
    config(['crate.media_folders' => [$gone, $this->folder('media')]]);
    expect($this->getJson('/api/media')->assertOk()->json('files.*.name'))->toEqualCanonicalizing(['one.mp4', 'two.mp4']);
    // By another process, so that this one knows nothing of it.
    exec('rm -r '.escapeshellarg($gone));
    expect($this->getJson('/api/media')->assertOk()->json('files.*.name'))->toBe(['two.mp4']);
});

it('brings in and packs a file whose name is not UTF-8', function () {
    copy($this->clip('few'), $this->folder('media')."/caf\xe9 \xff.mp4");
    unlink($this->folder('media').'/few.mp4');
    $path = $this->getJson('/api/media')->assertOk()->json('files.0.path');
    expect($path)->toStartWith('file:///')->toEndWith('/caf%E9%20%FF.mp4');
    $cut = $this->answer($this->postJson('/api/cuts', ['path' => $path]), 'cut-answer', 201)['cut'];
    $this->getJson("/api/cuts/{$cut['id']}/sheet")->assertOk();
    expect($this->getJson('/api/media')->json('files.0.cut'))->toBe($cut['id']);
    $output = ['preset' => 'sound-wav', 'host' => null, 'edits' => (object) []];
    $this->postJson("/api/cuts/{$cut['id']}/pack", ['outputs' => [$output]])->assertStatus(202);
    $this->work();
    expect($this->getJson('/api/queue')->json('runs.0.state'))->toBe('done')->and($this->left('out'))->toHaveCount(1);
});

it('reads what pages bring in in a process of its own, and names the limit that it met', function () {
    $path = $this->clip('few');
    $folder = dirname($this->folder('derived'));
    TestDatabase::share($folder);
    $surroundings = TestDatabase::shared($folder) + ['CRATE_DERIVED' => $this->folder('derived')];
    $before = [];
    $set = function (string $name, string $value) use (&$before): void {
        $before[$name] ??= $_ENV[$name] ?? null;
        putenv("{$name}={$value}");
        $_ENV[$name] = $_SERVER[$name] = $value;
    };
    array_map($set, array_keys($surroundings), $surroundings);
    $reading = app(SeparateReading::class);
    $says = function (string $file) use ($reading): string {
        try {
            return $reading->apart($file)->name;
        } catch (Refused $e) {
            return "{$e->status()} {$e->id()}: {$e->getMessage()}";
        }
    };
    try {
        expect($says($path))->toBe('Few')
            ->and(app(SeparateReader::class)->ask($path, ['--only-read']))->toEqual(app(SeparateReader::class)->probe($path))
            ->and($says($this->file('notes.mp4', 'a shopping list')))->toStartWith('422 not-media: This is not a video file.');
        config(['crate.reading.memory' => 9_000_000]);
        expect($says($path))->toStartWith('422 reading-limit: Reading few.mp4 took more than 9')->toContain('CRATE_READING_MEMORY');
        config(['crate.reading.memory' => 512 * 1024 ** 2, 'crate.reading.seconds' => 1]);
        file_put_contents($slow = $this->folder('slow'), "#!/bin/sh\nsleep 20\n");
        chmod($slow, 0o755);
        $set('CRATE_FFPROBE', $slow);
        expect($says($path))->toStartWith('422 reading-limit: Reading few.mp4 took more than 1 seconds');
        config(['crate.reading.seconds' => 60]);
        file_put_contents($slow, "#!/bin/sh\nkill -KILL \$PPID\n");
        expect($says($path))->toStartWith('503 reading-killed: The process that read few.mp4 was ended from outside.');
    } finally {
        foreach ($before as $name => $value) {
            putenv($value === null ? $name : "{$name}={$value}");
            unset($_ENV[$name], $_SERVER[$name]);
            if ($value !== null) {
                $_ENV[$name] = $_SERVER[$name] = $value;
            }
        }
    }
});

it('brings a file in once where two do it at the same moment', function () {
    $path = $this->clip('few');
    $isFirst = true;
    Cut::creating(function (Cut $cut) use (&$isFirst): void {
        if ($isFirst) {
            $isFirst = false;
            DB::table('cuts')->insert($cut->getAttributes() + ['outputs' => '[]']);
        }
    });
    $cut = app(CutShelf::class)->bringIn($path);
    Cut::flushEventListeners();
    expect(Cut::query()->pluck('id')->all())->toBe([$cut->id])->and($cut->analysis)->not->toBeNull();
});

it('reads no frames with more pixels than the limit', function () {
    config(['crate.reading.pixels' => 50_000_000]);
    $cut = $this->bringIn('few');
    expect($cut['name'])->toBe('Few');
    config(['crate.reading.pixels' => 50_000]);
    $error = $this->answer($this->postJson('/api/cuts', ['path' => $this->clip('plain')]), 'error', 422)['error'];
    expect($error['id'])->toBe('too-many-pixels')->and($error['message'])->toContain('320×180');
});
