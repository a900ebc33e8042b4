<?php

use App\Models\Cut;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Shelf\CutShelf;
use App\Work\Worker;
use App\Work\WorkQueue;

/** The plain clip is made as presets say; others of kinds that are about more than the encoder take its fast way. */
const QUICK = ['video' => ['effort' => 'fast']];

const QUICK_UPLOAD = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => QUICK];

it('makes master and upload through the queue, and what comes out is what was planned', function (string $kind, array $outputs) {
    $runs = packed($this->bringIn($kind)['id'], $outputs);
    foreach ($runs as $run) {
        $differs = array_values(
            array_filter(
                $run['slip']['differences'] ?? [['cell' => 'no slip', 'text' => $run['error']]],
                fn (array $difference): bool => $difference['cell'] !== 'bitrate',
            ),
        );
        expect($differs)
            ->toBe([], "{$kind} {$run['preset']}: ".json_encode($differs))
            ->and($run['state'])
            ->toBe('done')
            ->and(hash_file('sha256', $run['path']))
            ->toBe($run['slip']['sha256'])
            ->and(filesize($run['path']))
            ->toBe($run['slip']['bytes']);
    }
    expect(array_filter($this->left('out'), fn (string $name): bool => str_starts_with($name, '.')))
        ->toBe([])
        ->and($this->left('derived'))
        ->toHaveCount(1);
})->with([
    [
        'ten-bit',
        [
            ['preset' => 'archive-10-bit'],
            ['preset' => 'lossless-vault'],
            ['preset' => 'lanternwick-generous', 'host' => 'lanternwick', 'edits' => QUICK],
            ['preset' => 'slow-line'],
        ],
    ],
    [
        'plain',
        [
            ['preset' => 'lossless-vault'],
            ['preset' => 'lanternwick-even', 'host' => 'lanternwick'],
            ['preset' => 'archive-10-bit', 'edits' => ['video' => ['effort' => 'slow']]],
        ],
    ],
    ['hd-high-rate', [['preset' => 'platen-1080', 'host' => 'platen', 'edits' => QUICK], ['preset' => 'review-720', 'edits' => QUICK]]],
    ['tape', [['preset' => 'archive-10-bit'], ['preset' => 'lossless-vault'], QUICK_UPLOAD]],
    ['slow', [QUICK_UPLOAD]],
    ['upright', [['preset' => 'tallgate-upright', 'host' => 'tallgate'], ['preset' => 'archive-10-bit']]],
    ['silent', [['preset' => 'lossless-vault'], QUICK_UPLOAD]],
    ['uneven', [QUICK_UPLOAD, ['preset' => 'lossless-vault']]],
    ['turned', [['preset' => 'archive-10-bit'], QUICK_UPLOAD]],
    ['hdr', [QUICK_UPLOAD, ['preset' => 'slow-line'], ['preset' => 'archive-10-bit']]],
]);

it('starts the engine as it is installed', function () {
    $path = (string) getenv('PATH');
    $keptReady = fn (string $folder): bool => str_starts_with($folder, storage_path('framework/testing'));
    putenv('PATH='.implode(':', array_filter(explode(':', $path), fn (string $folder): bool => ! $keptReady($folder))));
    try {
        $run = delivered('few', 'lanternwick-even', QUICK);
    } finally {
        putenv("PATH={$path}");
    }
    expect(unwanted($run))->toBe([])->and($run->work->state)->toBe(WorkState::Done);
});

it('keeps every frame of a lossless master', function () {
    $cut = $this->clip();
    $run = packed($this->bringIn()['id'], [['preset' => 'lossless-vault']])[0];
    $frames = function (string $path): string {
        $process = new Symfony\Component\Process\Process(['ffmpeg', '-v', 'error', '-i', $path, '-map', '0:v', '-f', 'framemd5', '-']);

        return implode(
            "\n",
            array_map(
                fn (string $line): string => trim((string) strrchr($line, ',')),
                array_filter(explode("\n", $process->mustRun()->getOutput()), fn (string $line): bool => str_starts_with($line, '0,')),
            ),
        );
    };
    expect($frames($run['path']))->toBe($frames($cut));
});

it('holds the planned average on a picture that needs it', function () {
    $run = packed($this->bringIn('hd-high-rate')['id'], [
        ['preset' => 'lanternwick-generous', 'host' => 'lanternwick', 'edits' => ['bitrate' => ['average' => ['kbps' => 3000]]]],
    ])[0];
    expect($run['slip']['bitrates']['video'])
        ->toBeGreaterThan(2_400_000)
        ->toBeLessThan(3_600_000)
        ->and(abs($run['slip']['bytes'] / $run['plan']['estimate']['bytes'] - 1))
        ->toBeLessThan(0.15);
});

it('never writes over a file, and tells outputs of one pack apart', function () {
    $cut = $this->bringIn('few')['id'];
    $outputs = [['preset' => 'lanternwick-even', 'host' => 'lanternwick'], ['preset' => 'lanternwick-generous', 'host' => 'lanternwick']];
    $first = array_column(packed($cut, $outputs), 'path');
    $sums = array_map(fn (string $path): string => hash_file('sha256', $path), $first);
    // A second click makes nothing; whoever means it gets versions.
    $refused = $this->answer($this->post("/api/cuts/{$cut}/pack"), 'error', 409)['error'];
    $second = array_column(packed($cut, $outputs, again: true), 'file');
    expect(array_map(basename(...), $first))
        ->toBe(['Few Lanternwick.mp4', 'Few Lanternwick Lanternwick, generous.mp4'])
        ->and([$refused['id'], Run::query()->count()])
        ->toBe(['made-already', 4])
        ->and($second)
        ->toBe(['Few Lanternwick v2.mp4', 'Few Lanternwick Lanternwick, generous v2.mp4'])
        ->and(array_map(fn (string $path): string => hash_file('sha256', $path), $first))
        ->toBe($sums);
});

it('queues what was planned then, whatever the sheet says later', function () {
    $cut = $this->bringIn('few')['id'];
    $queued = $this->post("/api/cuts/{$cut}/pack")
        ->assertStatus(202)
        ->json();
    $this->putJson("/api/cuts/{$cut}/sheet", ['outputs' => []])->assertOk();
    $this->work();
    expect(array_column($this->getJson("/api/packs/{$queued['pack']}")->json('runs'), 'state'))->toBe(['done', 'done']);
});

it('passes over a run that was stopped before its turn', function () {
    $queued = $this->post("/api/cuts/{$this->bringIn()['id']}/pack")->json('runs');
    expect($this->answer($this->postJson("/api/runs/{$queued[0]['id']}/stop"), 'run-answer')['run']['state'])->toBe('stopped');
    $this->work();
    expect(Run::query()->orderBy('id')->get()->map(fn (Run $run): string => $run->work->state->value)->all())
        ->toBe(['stopped', 'done'])
        ->and($this->left('out'))
        ->toHaveCount(1);
});

it('stops a run under way and keeps no half file', function () {
    $cut = Cut::query()->find($this->bringIn('long')['id']);
    $run = $this->queued($cut, [['preset' => 'slow-line']])[0];
    $this->make($run, fn (Work $work) => app(WorkQueue::class)->stop($work));
    expect($run->work->state)->toBe(WorkState::Stopped)->and($this->left('out'))->toBe([]);
});

it('hands a run back to the queue when the worker ends, unless it was asked to stop meanwhile', function () {
    $cut = Cut::query()->find($this->bringIn()['id']);
    [$first, $second] = $this->queued($cut, [['preset' => 'slow-line'], ['preset' => 'review-720']])->all();
    $leave = fn (Run $run, bool $stop) => app(Worker::class)->one(
        ['make'],
        function () use ($run, $stop): bool {
            $stop &&
                Work::query()
                    ->whereKey($run->work->id)
                    ->update(['stop_asked' => true]);

            return true;
        },
        [$run->work->id],
    );
    $leave($first, false);
    $leave($second, true);
    expect([$first->refresh()->work->state, $second->refresh()->work->state])->toBe([WorkState::Waiting, WorkState::Stopped]);
    $this->work();
    expect($first->refresh()->work->state)
        ->toBe(WorkState::Done)
        ->and($this->left('out'))
        ->toHaveCount(1);
});

it('fails with a plain message and nothing left behind when the engine does', function (string $script, string $says) {
    $cut = $this->bringIn()['id'];
    $engine = $this->folder('derived').'/engine';
    file_put_contents(
        $engine,
        "#!/bin/sh\ncase \"\$*\" in *-version*|*-encoders*) exec ffmpeg \"\$@\";; *' -') exit 1;; esac\n"
            ."for each; do case \"\$each\" in file:*.partial) last=\$each;; esac; done\n{$script}\n",
    );
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    $run = packed($cut, [['preset' => 'lanternwick-even', 'host' => 'lanternwick']])[0];
    expect($run['state'])->toBe('failed')->and($run['error'])->toContain($says)->and($this->left('out'))->toBe([]);
})->with([
    'full drive' => [
        'echo half > "${last#file:}"; echo "av_interleaved_write_frame(): No space left on device" >&2; exit 1',
        'The drive is full',
    ],
    'crash' => ['echo half > "${last#file:}"; kill -SEGV $$', 'was ended by the signal SEGV'],
    'an empty file and a good word' => [': > "${last#file:}"; exit 0', 'could not be read back'],
]);

it('makes nothing of a cut that became another after it was packed', function (bool $meanwhile) {
    $path = $this->clip('long', 'turned.mp4');
    $cut = app(CutShelf::class)->bringIn($path, null, false);
    $run = $this->queued($cut, [['preset' => 'slow-line']])[0];
    if ($meanwhile) {
        $this->make($run, fn () => touch($path, filemtime($path) + 10));
    } else {
        // Replaced, and read again: the sheet tells of the new file, and the run was asked for the old one.
        copy($this->clip('plain'), $path);
        app(CutShelf::class)->bringIn($path, null, false);
        $this->make($run);
    }
    expect($run->refresh()->work->state)
        ->toBe(WorkState::Failed)
        ->and($run->work->error)
        ->toContain('changed or gone since this was packed')
        ->and($this->left('out'))
        ->toBe([]);
})->with(['before' => [false], 'while it is made' => [true]]);

it('keeps nothing of a cut that was written to while it was made, also where its size and time are what they were', function () {
    $path = $this->clip('long', 'turned.mp4');
    // Something behind the movie that no player reads, so that the middle of the file is none of what tells files apart elsewhere.
    file_put_contents($path, pack('N', 6_000_008).'free'.random_bytes(6_000_000), FILE_APPEND);
    $cut = app(CutShelf::class)->bringIn($path, null, false);
    $run = $this->queued($cut, [['preset' => 'slow-line']])[0];
    $this->make($run, function () use ($path): void {
        $modified = filemtime($path);
        $file = fopen($path, 'r+b');
        fseek($file, intdiv(filesize($path), 3));
        fwrite($file, str_repeat("\0", 20_000));
        fclose($file);
        touch($path, $modified);
    });
    expect($run->refresh()->work->state)->toBe(WorkState::Failed)
        ->and($run->work->error)->toContain('was written to while this was made')
        ->and($this->left('out'))->toBe([]);
});

it('says beforehand what cannot work, and queues nothing', function (Closure $spoil, string $says) {
    $cut = Cut::query()->find($this->bringIn()['id']);
    $spoil->call($this, $cut);
    $message = $this->post("/api/cuts/{$cut->id}/pack")->json('error.message');
    expect($message)
        ->toContain($says)
        ->and(Run::query()->count())
        ->toBe(0);
})->with([
    'no engine' => [
        function () {
            config(['crate.engine.encoder' => '/nowhere/engine']);
        },
        'engine is missing',
    ],
    'a cut that has gone' => [fn (Cut $cut) => unlink($cut->path), 'changed or gone'],
    'a cut that has changed' => [fn (Cut $cut) => file_put_contents($cut->path, 'more', FILE_APPEND), 'changed or gone'],
    'nothing to make' => [fn (Cut $cut) => $cut->update(['outputs' => []]), 'nothing to make'],
    'a file where the folder should be' => [
        function () {
            file_put_contents($this->folder('out').'/Plain', 'in the way');
        },
        'cannot be',
    ],
    'a stop' => [
        fn (Cut $cut) => $cut->update([
            'outputs' => [['key' => '1', 'preset' => 'archive-10-bit', 'host' => null, 'edits' => ['container' => ['set' => 'mp4']]]],
        ]),
        'does not carry',
    ],
]);

it('takes an empty body for the sheet, and no other', function (string $body) {
    $cut = $this->bringIn();
    $answer = $this->call('POST', "/api/cuts/{$cut['id']}/pack", server: ['CONTENT_TYPE' => 'application/json'], content: $body);
    expect($this->answer($answer, 'error', 422)['error']['id'])->toBe('malformed')->and(Run::query()->count())->toBe(0);
})->with(['{', 'xx', '[]', '{}', 'null', str_repeat('[', 512)]);

it('downloads the file whole and in parts, under a safe name', function () {
    $cut = $this->bringIn('plain', "it's \"ü\" 🔥.mp4");
    $run = packed($cut['id'], [['preset' => 'lanternwick-even', 'host' => 'lanternwick']])[0];
    $whole = $this->get("/api/runs/{$run['id']}/file")->assertOk();
    $part = $this->get("/api/runs/{$run['id']}/file", ['Range' => 'bytes=4-7'])->assertStatus(206);
    $this->get("/api/runs/{$run['id']}/file", ['Range' => 'bytes=99999999-'])->assertStatus(416);
    expect(hash('sha256', $whole->streamedContent()))
        ->toBe($run['slip']['sha256'])
        ->and($part->streamedContent())
        ->toBe('ftyp')
        ->and($run['file'])
        ->toBe("It's -ü- 🔥 Lanternwick.mp4");
    unlink($run['path']);
    $this->getJson("/api/runs/{$run['id']}/file")->assertNotFound();
});
