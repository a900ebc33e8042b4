<?php

use App\Media\CutFile;
use App\Media\Drive;
use App\Models\Cut;
use App\Models\Run;
use App\Models\WatchFolder;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Watching\Watcher;
use Tests\Support\Clips;
use Tests\Support\Drives\HangingDrive;

/** Seconds: nobody waits long for what hangs, and as long as it takes for what does not. */
const BRIEF = ['crate.engine.stall' => 1, 'crate.drives.patience' => 1];
const PATIENT = ['crate.engine.stall' => 300, 'crate.drives.patience' => 20];

beforeEach(function (): void {
    HangingDrive::canBe() ?: $this->markTestSkipped('Only root may mount a drive that hangs.');
    // Where the files of a test go.
    $this->drive = new HangingDrive($this->folder('out'));
    // It is known by a link, as many a share is.
    symlink($this->drive->path, $this->folder('deliveries'));
    config(['crate.deliveries' => $this->folder('deliveries')]);
    $this->hang = function (HangingDrive $drive, string $what): void {
        config(BRIEF);
        $drive->hang($what);
    };
    $this->goOn = function (HangingDrive $drive): void {
        config(PATIENT);
        $drive->goOn();
    };
    // The engine itself, not one that was kept ready: that writes for whoever asked it, who can be ended.
    config(['crate.engine.encoder' => '/usr/bin/ffmpeg']);
    $this->cut = Cut::query()->find($this->bringIn()['id']);
    $this->again = function (Run $run): Run {
        Work::query()->whereKey($run->work->id)->update(['not_before' => null]);
        $this->work();

        return $run->refresh();
    };
});

afterEach(function (): void {
    foreach ([$this->drive ?? null, $this->share ?? null] as $drive) {
        $drive?->remove();
    }
});

it('leaves an engine alone that waits for a drive, makes what goes elsewhere, and goes on when the drive is back', function () {
    [$run] = $this->queued($this->cut, [['preset' => 'review-720']])->all();
    ($this->hang)($this->drive, 'writes');
    $this->work();
    expect($run->refresh()->work->state)->toBe(WorkState::Waiting)->and($run->work->error)->toContain('does not answer');

    $columns = $this->columns($this->cut, [['preset' => 'review-720']]);
    [$other] = app(Packer::class)->pack($this->cut, $columns, $this->folder('elsewhere'))->all();
    config(PATIENT);
    expect($this->make($other)->work->state)->toBe(WorkState::Done);
    // Its engine has the unfinished file in its hands: whoever touched that would hang with it.
    expect(($this->again)($run)->work->state)->toBe(WorkState::Waiting)->and($run->work->error)->toContain('its engine is not back');

    ($this->goOn)($this->drive);
    for ($end = microtime(true) + 120; microtime(true) < $end && ($this->again)($run)->work->state === WorkState::Waiting; usleep(50_000)) {
        continue;
    }
    expect($run->work->state)->toBe(WorkState::Done)
        ->and(hash_file('sha256', $run->file))->toBe($run->slip['sha256'])
        ->and($this->left('out'))->toBe(['Plain review.mp4'])
        ->and(glob("{$this->drive->path}/.*.partial"))->toBe([]);
});

it('does not touch what an engine left that could be ended, while the drive is silent', function () {
    $edits = ['bitrate' => ['mode' => 'quality', 'quality' => 20]];
    [$run] = $this->queued($this->cut, [['preset' => 'review-720', 'edits' => $edits]])->all();
    $engine = config('crate.engine.encoder');
    // It begins to write, and the drive is gone.
    file_put_contents($hangs = $this->folder('hangs'), <<<SH
        #!/bin/sh
        for word; do case "\$word" in file:*.partial) file="\${word#file:}" ;; esac; done
        test -n "\$file" || exec {$engine} "\$@"
        touch "\$file"
        printf all > '{$this->drive->path}.hangs'
        exec sleep 60
        SH);
    chmod($hangs, 0o700);
    config(['crate.engine.encoder' => $hangs, ...BRIEF]);
    $this->work();
    expect($run->refresh()->work->state)->toBe(WorkState::Waiting)->and($run->work->error)->toContain('does not answer');

    config(['crate.engine.encoder' => $engine]);
    ($this->goOn)($this->drive);
    usleep(200_000);
    expect(glob("{$this->drive->path}/.*.partial"))->toHaveCount(1)
        ->and(($this->again)($run)->work->state)->toBe(WorkState::Done)
        ->and($this->left('out'))->toBe(['Plain review.mp4'])
        ->and(glob("{$this->drive->path}/.*.partial"))->toBe([]);
});

it('waits for a drive that says nothing at all, and its pages do not wait with it', function () {
    $run = $this->made($this->cut, ['preset' => 'review-720']);
    [$waits] = $this->queued($this->cut, [['preset' => 'sound-mp3']])->all();
    ($this->hang)($this->drive, 'all');
    // What it said lately holds for three seconds.
    sleep(3);
    $this->work();
    expect($waits->refresh()->work->state)->toBe(WorkState::Waiting)
        ->and($waits->work->error)->toContain('does not answer: '.dirname($waits->file))
        ->and(Drive::freeBytes($this->drive->path))->toBeNull();

    $runs = $this->answer($this->getJson('/api/queue'), 'queue')['runs'];
    expect(array_column($runs, 'onDisk', 'id')[$run->id])->toBeFalse();
    $this->getJson('/api/machine')->assertOk()->assertJsonPath('freeBytes', null);
    $this->getJson('/api/settings')->assertOk();
    $this->getJson('/api/store')->assertOk();
    $this->getJson("/api/cuts/{$this->cut->id}/sheet")->assertOk();
    $output = ['preset' => 'review-720', 'host' => null, 'edits' => (object) []];
    $this->postJson("/api/cuts/{$this->cut->id}/pack?again=1", ['outputs' => [$output]])
        ->assertStatus(422)
        ->assertJsonPath('error.id', 'file');

    ($this->goOn)($this->drive);
    usleep(1_200_000);
    expect(($this->again)($waits)->work->state)->toBe(WorkState::Done)
        ->and(array_column($this->getJson('/api/queue')->json('runs'), 'onDisk', 'id')[$run->id])->toBeTrue();
});

it('says of a cut whose own drive went silent that it did, has what reads it wait, and goes on when it is back', function () {
    $this->share = new HangingDrive($this->folder('share'));
    config(['crate.media_folders' => [$this->folder('media'), $this->share->path]]);
    copy(Clips::make('few'), "{$this->share->path}/afar.mp4");
    $afar = $this->answer($this->postJson('/api/cuts', ['path' => "{$this->share->path}/afar.mp4"]), 'cut-answer', 201)['cut'];
    expect($afar['fileState'])->toBe('here');
    WatchFolder::query()->create(['path' => $this->share->path, 'outputs' => [['preset' => 'review-720', 'host' => null]]]);
    ($this->hang)($this->share, 'all');
    sleep(3);

    expect($this->answer($this->getJson("/api/cuts/{$afar['id']}/sheet"), 'sheet')['cut']['fileState'])->toBe('silent')
        ->and(array_column($this->answer($this->getJson('/api/cuts'), 'cut-list')['cuts'], 'fileState'))->toBe(['silent', 'here'])
        ->and(array_column($this->getJson('/api/media')->assertOk()->json('files'), 'name'))->toBe([basename($this->cut->path)]);
    $outputs = ['outputs' => [['preset' => 'review-720', 'host' => null, 'edits' => (object) []]]];
    foreach ([
        $this->get("/api/cuts/{$afar['id']}/frames/3"),
        $this->postJson("/api/cuts/{$afar['id']}/pack", $outputs),
        $this->postJson('/api/cuts', ['path' => $afar['path']]),
        $this->postJson("/api/cuts/{$afar['id']}/read-again"),
    ] as $answer) {
        $answer->assertStatus(422)->assertJsonPath('error.id', 'file');
        expect($answer->json('error.message'))->toContain('The drive does not answer.');
    }
    // Nobody knows: it is not here, and nobody may say that it has changed.
    expect(CutFile::isHere(Cut::query()->find($afar['id'])))->toBeFalse()
        ->and(CutFile::hasChanged(Cut::query()->find($afar['id'])))->toBeFalse();
    $this->getJson('/api/watch-folders')->assertOk()->assertJsonPath('folders.0.isThere', false);
    app(Watcher::class)->look();
    $this->work('analyse');
    $analysis = Cut::query()->find($afar['id'])->analysis;
    expect($analysis->work->state)->toBe(WorkState::Waiting)->and($analysis->work->error)->toContain('does not answer');

    ($this->goOn)($this->share);
    usleep(1_200_000);
    Work::query()->update(['not_before' => null]);
    $this->work('analyse');
    expect($this->getJson("/api/cuts/{$afar['id']}/sheet")->json('cut.fileState'))->toBe('here')
        ->and($analysis->work->refresh()->state)->toBe(WorkState::Done)
        ->and($this->get("/api/cuts/{$afar['id']}/frames/3")->assertOk()->headers->get('Content-Type'))->toBe('image/jpeg');
});
