<?php

use App\Models\WorkState;
use App\Schema\Contract;
use App\Shelf\CutShelf;
use OuterCrate\Planning\Sheet\Cells;
use Tests\Support\Desk;
use Tests\Support\MadeUp\SmellCell;

it('makes what version 1 planned', function (string $file) {
    $golden = json_decode(file_get_contents($file), true);
    $plan = Desk::documents()->read($golden['plan'])->plan;
    expect(app(Contract::class)->faults(json_decode(file_get_contents($file))->plan, 'plan-document'))->toBe([]);
    $cut = app(CutShelf::class)->bringIn($this->clip($golden['clip']), null, false);
    $run = $this->queued($cut, [['preset' => 'review-720']])[0];
    $run->update([
        'document' => $golden['plan'],
        'plan' => json_decode(json_encode($plan->toArray()), true) + $run->plan,
        'file' => $this->folder('out').'/'.$plan->file->path(),
    ]);
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)
        ->and(unwanted($run))->toBe([])
        ->and(file_exists($run->file))->toBeTrue();
})->with(fn (): array => glob(dirname(__DIR__).'/fixtures/documents/1/*.json'));

it('stores plans in their format', function () {
    $cut = app(CutShelf::class)->bringIn($this->clip(), null, false);
    $run = $this->queued($cut, [['preset' => 'lanternwick-even', 'host' => 'lanternwick']])[0];
    $stored = json_decode($run->refresh()->getRawOriginal('document'));
    expect(app(Contract::class)->faults($stored, 'plan-document'))->toBe([])
        ->and($stored->inputs->reading->probe->streams)->not->toBe([]);
});

it('makes runs that were waiting when the sheet got a row', function () {
    $run = $this->queued(app(CutShelf::class)->bringIn($this->clip(), null, false), [['preset' => 'review-720']])[0];
    $cells = new Cells([...Cells::shipped(), new SmellCell]);
    $this->app->instance(Cells::class, $cells);
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)
        ->and(array_column($run->slip['notes'], 'text'))
        ->toContain('Smell: decided when the file was made, as the stored plan did not say it.')
        ->and($run->plan['values']['smell']['strength'])->toEqual(3.0);
});

it('says of a run from before plans were documents that it is to be packed again, and shows what was planned', function () {
    $run = $this->queued(app(CutShelf::class)->bringIn($this->clip(), null, false), [['preset' => 'review-720']])[0];
    $run->update(['document' => null]);
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Failed)
        ->and($run->work->error)->toContain('by a version before 1.0')->toContain('Pack it again from its sheet.')
        ->and($run->plan['values']['video']['label'])->not->toBe('')
        ->and($this->left('out'))->toBe([]);
});
