<?php

use App\Models\Run;
use App\Models\Sample;
use App\Models\Work;
use App\Models\WorkState;
use App\Shelf\CutShelf;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Saves a sheet with one output and gives its plan. */
function sheetOf(int $cut, array $output): array
{
    $sheet = test()->answer(
        test()->putJson("/api/cuts/{$cut}/sheet", ['outputs' => [['key' => 'a', 'host' => null, 'edits' => (object) [], ...$output]]]),
        'sheet',
    );

    return $sheet['outputs'][0]['plan'];
}

it('encodes pieces in the background where the size depends on the picture, and then knows it', function (array $output) {
    $cut = $this->bringIn('long')['id'];
    $before = sheetOf($cut, $output)['estimate'];
    expect([$before['sampling'], $before['basis'] === 'sample'])->toBe([true, false]);
    $this->work('sample');
    $after = sheetOf($cut, $output)['estimate'];
    expect([$after['sampling'], $after['basis']])
        ->toBe([false, 'sample'])
        ->and($after['marginPercent'])
        ->toBeLessThan($before['marginPercent']);
    $pack = $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202)['pack'];
    $this->work();
    $bytes = $this->answer($this->getJson("/api/packs/{$pack}"), 'pack')['runs'][0]['slip']['bytes'];
    expect(abs($after['bytes'] / $bytes - 1))
        ->toBeLessThan(0.2)
        ->and(abs($before['bytes'] / $bytes - 1))
        ->toBeGreaterThan(abs($after['bytes'] / $bytes - 1))
        ->and(Sample::query()->count())
        ->toBe(1)
        ->and($this->left('derived'))
        ->toHaveCount(1);
})->with([
    'constant quality' => [['preset' => 'review-720']],
    'a mezzanine' => [['preset' => 'archive-10-bit']],
    'lossless' => [['preset' => 'light-lossless']],
]);

it('does not take what it knew of a file for another under the same name', function () {
    $path = $this->clip('long', 'edit.mp4');
    $cut = app(CutShelf::class)->bringIn($path, null, false);
    sheetOf($cut->id, ['preset' => 'review-720']);
    $this->work('sample');
    expect(sheetOf($cut->id, ['preset' => 'review-720'])['estimate']['basis'])->toBe('sample');
    // Exported again, with other pictures: the same size of frame, rate and length.
    (new Process(['ffmpeg', '-v', 'error', '-y', '-i', $this->clip('long'), '-vf', 'negate', '-c:a', 'copy', $path]))->mustRun();
    app(CutShelf::class)->bringIn($path, null, false);
    expect(sheetOf($cut->id, ['preset' => 'review-720'])['estimate'])->toMatchArray(['basis' => 'content', 'sampling' => true]);
});

it('knows that a calm picture does not use up its average', function () {
    $cut = $this->bringIn('long')['id'];
    $output = [
        'preset' => 'review-720',
        'edits' => [
            'video' => ['effort' => 'fast'],
            'frameSize' => ['fit' => '160×90'],
            'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 8_000], 'peak' => ['kbps' => 12_000]],
        ],
    ];
    $before = sheetOf($cut, $output)['estimate'];
    $this->work('sample');
    $after = sheetOf($cut, $output)['estimate'];
    expect([$before['basis'], $after['basis']])->toBe(['bitrate', 'sample']);
    $pack = $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202)['pack'];
    $this->work();
    $bytes = $this->answer($this->getJson("/api/packs/{$pack}"), 'pack')['runs'][0]['slip']['bytes'];
    expect($before['bytes'] / $bytes)
        ->toBeGreaterThan(1.5)
        ->and(abs($after['bytes'] / $bytes - 1))
        ->toBeLessThan(0.12);
});

it('times a setting that no run has taught yet, and leaves its size to the average', function () {
    $cut = $this->bringIn('long')['id'];
    $output = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => [
        'bitrate' => ['mode' => 'cbr', 'average' => ['kbps' => 1_200]],
    ]];
    $before = sheetOf($cut, $output)['estimate'];
    $this->work('sample');
    $after = sheetOf($cut, $output)['estimate'];
    expect([$before['sampling'], $after['sampling'], $after['basis']])
        ->toBe([true, false, 'bitrate'])
        ->and($after['bytes'] / $before['bytes'])
        ->toBeGreaterThan(0.85)
        ->toBeLessThan(1.01)
        ->and($after['seconds'])
        ->not->toBe($before['seconds']);
    // Once a run has, it is not asked for again.
    $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202);
    $this->work();
    Sample::query()->delete();
    expect(sheetOf($cut, $output)['estimate']['sampling'])
        ->toBeFalse()
        ->and(Sample::query()->count())
        ->toBe(0);
});

it('knows a cut of a few frames to the byte, since all of it was tried in its container', function (string $container, string $codec) {
    $cut = $this->bringIn('few')['id'];
    $output = ['preset' => 'review-720', 'edits' => [
        'container' => ['set' => $container],
        'video' => ['codec' => $codec, 'effort' => 'fast'],
        'frameSize' => ['fit' => '320×180'],
        'bitrate' => ['mode' => 'quality'],
        'audio' => 'none',
    ]];
    sheetOf($cut, $output);
    $this->work('sample');
    $foreseen = sheetOf($cut, $output)['estimate']['bytes'];
    $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202);
    $this->work();
    // A file says when it was made, and MPEG streams pad their last pack.
    expect(abs($foreseen / Run::query()->latest('id')->first()->slip['bytes'] - 1))->toBeLessThan(0.02);
})->with([['mp4', 'h264'], ['matroska', 'hevc'], ['mpeg-ps', 'mpeg2video']]);

it('knows sound that needs less than it may have', function () {
    $cut = $this->bringIn('long')['id'];
    // A pure tone: lossless coding packs it to a fraction.
    $output = ['preset' => 'lossless-vault', 'edits' => ['frameSize' => ['fit' => '64×64']]];
    $before = sheetOf($cut, $output)['estimate']['bytes'];
    $this->work('sample');
    $after = sheetOf($cut, $output)['estimate']['bytes'];
    $pack = $this->answer($this->post("/api/cuts/{$cut}/pack"), 'pack-answer', 202)['pack'];
    $this->work();
    $bytes = $this->answer($this->getJson("/api/packs/{$pack}"), 'pack')['runs'][0]['slip']['bytes'];
    expect(abs($after / $bytes - 1))->toBeLessThan(0.12)->and(abs($before / $bytes - 1))->toBeGreaterThan(0.12);
});

it('does not wait for a run, and does not take its own time for the machine’s then', function () {
    $cut = $this->bringIn('long')['id'];
    $output = ['preset' => 'review-720'];
    sheetOf($cut, $output);
    $this->aRun(['cut_id' => $cut], WorkState::Running);
    $this->work('sample');
    $known = Sample::query()->sole()->sampled();
    expect($known->secondsPerFrame)
        ->toBeNull()
        ->and($known->bytesPerFrame)
        ->toBeGreaterThan(0.0)
        ->and(sheetOf($cut, $output)['estimate'])
        ->toMatchArray(['basis' => 'sample', 'sampling' => false]);
});

it('forgets what nobody waits for', function () {
    $cut = $this->bringIn('long')['id'];
    sheetOf($cut, ['preset' => 'review-720', 'edits' => ['bitrate' => ['mode' => 'quality', 'quality' => 30]]]);
    $this->travel(20)->seconds();
    sheetOf($cut, ['preset' => 'review-720', 'edits' => ['bitrate' => ['mode' => 'quality', 'quality' => 31]]]);
    $this->work('sample');
    $made = Sample::query()->whereNotNull('result')->get();
    expect($made)
        ->toHaveCount(1)
        ->and($made[0]->plan['values']['bitrate']['quality'])
        ->toBe(31)
        ->and(Work::query()->where('kind', Sample::WORK)->count())
        ->toBe(1);
});

it('keeps the rough figure where pieces cannot be encoded', function () {
    $cut = $this->bringIn('plain')['id'];
    sheetOf($cut, ['preset' => 'review-720']);
    config(['crate.engine.encoder' => '/bin/false']);
    $this->work('sample');
    expect(Sample::query()->value('result'))->toBeFalse();
});

it('writes nothing when a sheet is opened: samples are encoded for whoever works on it', function () {
    $cut = $this->bringIn('plain')['id'];
    $before = [Sample::query()->count(), Work::query()->pluck('wanted_at', 'id')->all()];
    $written = [];
    DB::listen(function (QueryExecuted $query) use (&$written): void {
        preg_match('~^\s*(select|pragma)\b~i', $query->sql) === 1 ?: $written[] = $query->sql;
    });
    $sheet = $this->answer($this->getJson("/api/cuts/{$cut}/sheet"), 'sheet');
    expect($written)->toBe([])
        ->and([Sample::query()->count(), Work::query()->pluck('wanted_at', 'id')->all()])->toBe($before)
        ->and(array_column(array_column(array_column($sheet['outputs'], 'plan'), 'estimate'), 'sampling'))->not->toContain(true);
    $wanted = $this->answer($this->postJson("/api/cuts/{$cut}/sheet/wanted"), 'sheet');
    $again = $this->answer($this->getJson("/api/cuts/{$cut}/sheet"), 'sheet');
    $sampling = fn (array $sheet): array => array_map(
        fn (array $output): bool => $output['plan']['estimate']['sampling'],
        $sheet['outputs'],
    );
    expect($sampling($wanted))->toContain(true)->and($sampling($again))->toBe($sampling($wanted));
});
