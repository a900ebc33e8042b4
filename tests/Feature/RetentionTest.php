<?php

use App\Media\StepStore;
use App\Models\Cut;
use App\Models\RunLog;
use App\Models\Sample;
use App\Models\TransitTest;
use App\Models\Work;
use App\Models\WorkState;
use App\Settings\Settings;
use Illuminate\Support\Facades\Artisan;

it('previews what limits delete, and applies them once saved', function () {
    $cut = Cut::query()->findOrFail($this->bringIn('few')['id']);
    $run = $this->made($cut, ['preset' => 'sound-wav']);
    [$waiting] = $this->queued($cut, [['preset' => 'sound-mp3']])->all();
    RunLog::query()->create(['run_id' => $waiting->id, 'at' => now(), 'kind' => 'note', 'text' => 'Begun.']);
    $test = fn (): TransitTest => TransitTest::query()->create([
        'cut_id' => $cut->id, 'host' => 'platen', 'card' => [], 'asked' => ['x' => 1], 'result' => ['x' => str_repeat('x', 500)],
    ]);
    foreach (['old' => $test(), 'new' => $test()] as $name => $one) {
        $done = $name === 'old' ? WorkState::Done : WorkState::Waiting;
        Work::query()->create(['kind' => TransitTest::WORK, 'subject' => $one->id, 'state' => $done, 'priority' => 15]);
    }
    Sample::query()->create(['cut_id' => $cut->id, 'key' => 'a', 'plan' => ['x'], 'result' => false]);
    $this->get("/api/cuts/{$cut->id}/frames/3")->assertOk();
    (new StepStore)->file('step', 'bin', fn (string $path) => file_put_contents($path, str_repeat('x', 5_000)));
    clearstatcache();

    $limits = [
        'logs' => ['days' => 30, 'gigabytes' => null], 'tests' => ['days' => 30, 'gigabytes' => null],
        'samples' => ['days' => null, 'gigabytes' => 1e-9], 'derived' => ['days' => null, 'gigabytes' => 0.004e-3],
    ];
    $preview = fn (array $retention): array => array_column(
        $this->answer($this->postJson('/api/retention/preview', ['retention' => (object) $retention]), 'retention-preview')['kinds'],
        null,
        'kind',
    );
    $none = array_column($preview([]), 'deletedItems', 'kind');
    expect($none)->toBe(['logs' => 0, 'tests' => 0, 'samples' => 0, 'derived' => 0]);

    $this->travel(31)->days();
    $seen = $preview($limits);
    // Unfinished runs and tests are left alone.
    expect(array_column($seen, 'deletedItems', 'kind'))->toMatchArray(['logs' => 1, 'tests' => 1, 'samples' => 1])
        ->and($seen['derived']['deletedItems'])->toBeGreaterThan(0)
        ->and($seen['tests']['deletedLabel'])->toStartWith('5');
    Artisan::call('crate:watch', ['--once' => true]);
    expect(TransitTest::query()->count())->toBe(2);

    $saved = $this->answer($this->putJson('/api/settings', ['retention' => $limits]), 'settings');
    expect($saved['retention']['logs'])->toBe(['days' => 30, 'gigabytes' => null]);
    Artisan::call('crate:watch', ['--once' => true]);
    expect(array_unique(RunLog::query()->pluck('run_id')->all()))->toBe([$waiting->id])
        ->and(TransitTest::query()->get()->map(fn (TransitTest $one): WorkState => $one->work->state)->all())->toBe([WorkState::Waiting])
        ->and(Sample::query()->count())->toBe(0)
        ->and(array_sum(array_map(filesize(...), [...App\Media\Workspace::pictures(), ...(new StepStore)->files()])))
        ->toBeLessThanOrEqual(4_000)
        // Slips and files are kept.
        ->and($run->refresh()->slip)->not->toBeNull()->and(is_file($run->file))->toBeTrue();

    $this->answer($this->putJson('/api/settings', ['retention' => null]), 'settings');
    expect(app(Settings::class)->changed())->not->toContain('retention');
});

it('refuses invalid limits', function (array $retention) {
    $this->answer($this->postJson('/api/retention/preview', ['retention' => $retention]), 'error', 422);
    $this->answer($this->putJson('/api/settings', ['retention' => $retention]), 'error', 422);
})->with([
    'no day' => [['logs' => ['days' => 0, 'gigabytes' => null]]],
    'too many days' => [['logs' => ['days' => 4_000, 'gigabytes' => null]]],
    'no gigabyte' => [['tests' => ['days' => null, 'gigabytes' => 0]]],
    'an unknown kind' => [['slips' => ['days' => 1, 'gigabytes' => null]]],
]);
