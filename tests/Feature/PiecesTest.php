<?php

use App\Models\Cut;
use App\Models\Run;
use Tests\Support\Bars;

beforeEach(function (): void {
    $this->cut = Cut::query()->findOrFail($this->bringIn('plain')['id']);
    $this->divide = fn (array $how): array => $this->answer(
        $this->putJson("/api/cuts/{$this->cut->id}/pieces", $how), 'pieces-answer',
    )['pieces'];
    $this->sheet = fn (array ...$outputs) => $this->putJson("/api/cuts/{$this->cut->id}/sheet", [
        'range' => null,
        'outputs' => array_map(fn (array $output, int $i): array => $output + [
            'key' => "o{$i}", 'host' => null, 'edits' => (object) [],
        ], $outputs, array_keys($outputs)),
    ])->assertOk();
});

it('makes a file of each piece, and no frame is lost or in two', function () {
    $cut = oddCut('avi-h264');
    $this->cut = $cut;
    ($this->sheet)(['preset' => 'lossless-vault'], ['preset' => 'light-lossless']);
    $pieces = ($this->divide)(['list' => "start,name\n0,Opening\n30,\n71,The kiln / closed"]);
    expect(array_column($pieces, 'firstLabel', 'number'))->toBe(['01' => '00:00:00:00', '02' => '00:00:01:05', '03' => '00:00:02:21'])
        ->and(array_column($pieces, 'frames'))->toBe([30, 41, 29]);
    $runs = $this->post("/api/cuts/{$cut->id}/pack")->assertStatus(202)->json('runs');
    expect($runs)->toHaveCount(6);
    $this->work();
    foreach (['lossless-vault' => '', 'light-lossless' => ' Light lossless'] as $preset => $says) {
        $of = Run::query()->orderBy('id')->get()->filter(fn (Run $run): bool => $run->plan['preset'] === $preset);
        expect(array_merge(...$of->map(fn (Run $run): array => Bars::in('-i', $run->file))->all()))->toBe(range(0, 99));
    }
    expect(array_map(fn (array $run): string => basename($run['path']), $this->getJson("/api/packs/{$runs[0]['pack']}")->json('runs')))
        ->toContain('Avi h264 master 01 Opening.mkv', 'Avi h264 master 02.mkv', 'Avi h264 master 03 The kiln - closed.mkv');
});

it('keeps pieces by marks, goes back to one file, and says what is wrong', function () {
    ($this->sheet)(['preset' => 'light-lossless', 'edits' => ['file' => ['template' => '{pieceName} of {cut}']]]);
    $marks = ($this->divide)(['points' => [['frame' => 20, 'name' => 'Second'], ['frame' => 0, 'name' => 'First']]]);
    expect(array_column($marks, 'name'))->toBe(['First', 'Second']);
    $runs = $this->post("/api/cuts/{$this->cut->id}/pack")->assertStatus(202)->json('runs');
    expect(array_column($runs, 'file'))->toBe(['First of Plain.mkv', 'Second of Plain.mkv']);
    Run::query()->delete();
    // The same, whichever way the sheet is packed.
    $all = $this->postJson('/api/packs', ['cuts' => [$this->cut->id]])->assertStatus(202)->json('runs');
    expect(array_column($all, 'file'))->toBe(array_column($runs, 'file'));
    // A list that is no list changes nothing.
    $error = $this->putJson("/api/cuts/{$this->cut->id}/pieces", ['list' => "20\nsoon"])->assertStatus(422)->json('error.message');
    expect($error)->toContain('Line 2: “soon” is no place')
        ->and($this->getJson("/api/cuts/{$this->cut->id}/pieces")->json('pieces'))->toHaveCount(2)
        ->and(($this->divide)(['points' => []]))->toBe([])
        ->and($this->post("/api/cuts/{$this->cut->id}/pack?again=1")->json('runs'))->toHaveCount(1);
    // The range is changed until no piece is left of it.
    ($this->divide)(['list' => '10,20']);
    $this->putJson("/api/cuts/{$this->cut->id}/sheet", ['range' => ['first' => 30, 'last' => 40], 'outputs' => []])->assertOk();
    expect($this->post("/api/cuts/{$this->cut->id}/pack")->assertStatus(422)->json('error.message'))->toContain('lies in the range');
});

it('finds shots, and makes pieces by command', function () {
    $clip = $this->folder('media').'/two shots.mkv';
    @mkdir(dirname($clip));
    $scene = fn (string $colour): string => "testsrc2=s=160x90:r=25:d=1,{$colour}";
    $filter = "{$scene('negate')}[a];smptebars=s=160x90:r=25:d=1.2[b];[a][b]concat=n=2,format=yuv420p";
    (new Symfony\Component\Process\Process(['ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', $filter, '-c:v', 'ffv1', $clip]))->mustRun();
    $process = $this->crate(
        'pack', basename($clip), '--output=light-lossless', '--pieces=shots', '--to='.$this->folder('out'), '--json',
    );
    expect($process->getExitCode())->toBe(0, $process->getErrorOutput())
        ->and(array_column(array_column(json_decode($process->getOutput(), true)['outputs'], 'slip'), 'frames'))->toBe([25, 30]);
    expect($this->crate('pack', basename($clip), '--output=light-lossless', '--pieces=none.edl', '--to=out')->getErrorOutput())
        ->toContain('There is no list to read in none.edl');
});
