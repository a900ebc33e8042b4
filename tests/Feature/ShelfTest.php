<?php

use App\Models\Cut;
use App\Models\Run;

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

it('takes a cut back whose file has gone, and says so', function () {
    $cut = $this->bringIn('plain', 'night.mp4');
    $this->deleteJson("/api/cuts/{$cut['id']}")->assertNoContent();
    unlink($cut['path']);
    expect($this->postJson("/api/cuts/{$cut['id']}/take-back")->assertOk()->json('cut.fileState'))->toBe('gone');
    $this->postJson("/api/cuts/{$cut['id']}/take-back")->assertNotFound();
    expect(Cut::query()->count())->toBe(1);
});
