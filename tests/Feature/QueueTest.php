<?php

use App\Models\Cut;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Packing\PackRefused;
use App\Work\Worker;
use App\Work\WorkQueue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Symfony\Component\Process\Process;

beforeEach(function (): void {
    $this->cut = fn (string $kind = 'few'): Cut => Cut::query()->findOrFail($this->bringIn($kind)['id']);
    $this->ask = fn (string $method, Run $run, string $what, array $body = [], int $status = 200): array => $this->answer(
        $this->json($method, "/api/runs/{$run->id}/{$what}", $body),
        $status < 400 ? 'run-answer' : 'error',
        $status,
    );
    $this->list = fn (): array => $this->answer($this->getJson('/api/queue'), 'queue');
    $this->ids = fn (): array => array_column(($this->list)()['runs'], 'id');
});

it('makes runs in the order that they are put into', function () {
    [$one, $two, $three] = $this->queued(($this->cut)(), array_fill(0, 3, ['preset' => 'sound-wav']))->all();
    ($this->ask)('PUT', $three, 'place', ['before' => $one->id]);
    expect(($this->ids)())->toBe([$three->id, $one->id, $two->id]);
    ($this->ask)('PUT', $three, 'place', ['before' => null]);
    ($this->ask)('PUT', $two, 'place', ['before' => $one->id]);
    expect(($this->ids)())->toBe([$two->id, $one->id, $three->id]);

    app(Worker::class)->one(['make']);
    expect($two->refresh()->work->state)->toBe(WorkState::Done);
    expect(($this->ask)('PUT', $two, 'place', ['before' => null], 422)['error']['message'])->toContain('no longer waits');
    // Stopped and taken back, it is where it was.
    ($this->ask)('POST', $one, 'stop');
    ($this->ask)('POST', $one, 'retry');
    expect(array_slice(($this->ids)(), 0, 2))->toBe([$one->id, $three->id]);
});

it('leaves a paused run alone until it is to go on', function () {
    [$one, $two] = $this->queued(($this->cut)(), array_fill(0, 2, ['preset' => 'sound-wav']))->all();
    expect(($this->ask)('POST', $one, 'pause')['run']['paused'])->toBeTrue();
    $list = ($this->list)();
    expect($list['queue']['paused'])->toBe(1)
        ->and($list['queue']['waiting'])->toBe(1)
        ->and($list['times'][0])->toBe(['run' => $one->id, 'begins' => null, 'ends' => null]);
    $this->work();
    expect($one->refresh()->work->state)->toBe(WorkState::Waiting)->and($two->refresh()->work->state)->toBe(WorkState::Done);
    ($this->ask)('POST', $one, 'continue');
    $this->work();
    expect($one->refresh()->work->state)->toBe(WorkState::Done);
});

it('asks the database no more often for many runs than for a few', function (string $path) {
    $card = Run::cardOf(['role' => 'upload', 'presetName' => 'x', 'frames' => 100], null);
    $asked = function (int $runs) use ($path, $card): int {
        for ($i = 0; $i < $runs; $i++) {
            $this->aRun(['card' => $card], $i % 2 === 0 ? WorkState::Waiting : WorkState::Done);
        }
        DB::enableQueryLog();
        $told = $this->getJson($path)->assertOk()->json('runs');
        $queries = count(DB::getQueryLog());
        DB::disableQueryLog();
        DB::flushQueryLog();
        expect(count($told))->toBeGreaterThan($runs - 1);

        return $queries;
    };
    expect($asked(2))->toBe($asked(10))->toBeLessThan(10);
})->with(['at first' => '/api/queue', 'what changed' => '/api/queue/changes?since=2026-01-01%2000:00:00.000']);

it('suspends the engine of a run that is paused, and lets it go on where it was', function () {
    config(['crate.work.lease' => 2]);
    // Not over before it is heard that it is to pause.
    $slow = ['video' => ['effort' => 'slower'], 'frameSize' => ['step' => 1]];
    $run = $this->queued(($this->cut)('long'), [['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => $slow]])[0];
    $states = [];
    $paused = null;
    $this->make($run, function (Work $work) use (&$states, &$paused): void {
        if ($paused === null && $work->percent > 0) {
            app(WorkQueue::class)->pause($work, true);
            $paused = microtime(true);
        }
        if ($paused !== null && $work->paused && microtime(true) - $paused > 1.0) {
            $states[] = (new Process(['ps', '-o', 'stat=', '--ppid', (string) getmypid()]))->mustRun()->getOutput();
            app(WorkQueue::class)->pause($work, false);
        }
    });
    expect($run->work->state)->toBe(WorkState::Done)
        ->and($paused)->not->toBeNull()
        ->and(implode('', $states))->toContain('T');
});

it('goes on from the pass that was finished before its worker was ended', function () {
    $slow = [
        'video' => ['effort' => 'slower'],
        'frameSize' => ['step' => 2],
        'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 400]],
    ];
    $run = $this->queued(($this->cut)('long'), [['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => $slow]])[0];
    $worker = app(Worker::class);
    $worker->one(['make'], fn (): bool => glob($this->folder("derived/work/run-{$run->id}/finished-passes")) !== [], [$run->work->id]);
    expect($run->refresh()->work->state)->toBe(WorkState::Waiting)->and($this->left('out'))->toBe([]);
    $this->make($run);
    $log = $this->answer($this->getJson("/api/runs/{$run->id}/log"), 'run-log')['lines'];
    $commands = array_values(array_filter($log, fn (array $line): bool => $line['kind'] === 'command'));
    $second = array_filter($commands, fn (array $line): bool => str_contains($line['text'], '-pass 2'));
    expect($run->work->state)->toBe(WorkState::Done)
        ->and(count(array_filter($commands, fn (array $line): bool => str_contains($line['text'], '-pass 1'))))->toBe(1)
        ->and($second)->not->toBe([])
        ->and(array_column($log, 'text'))->toContain('Pass 1 was finished before: it is not made again.')
        ->and($log[0]['text'])->toMatch('~^Begun on \S+, engine \d~')
        ->and($this->get("/api/runs/{$run->id}/log?text=1")->assertOk()->getContent())->toContain('Read back and checked');
    // What is written down is what a shell takes.
    $again = str_replace(basename($run->file), 'pasted.mp4', end($second)['text']);
    expect($again)->toStartWith('ffmpeg ');
});

it('checks what was finished before its worker was ended, and encodes it again only if it is not whole', function (bool $whole) {
    $outputs = [['preset' => 'review-720'], ['preset' => 'review-720', 'edits' => ['bitrate' => ['mode' => 'quality', 'quality' => 30]]]];
    $runs = $this->queued(($this->cut)('long'), $outputs);
    $isFinished = fn (): bool => glob($this->folder('derived/work').'/run-*/finished') !== [];
    app(Worker::class)->one(['make'], $isFinished, $runs->pluck('work.id')->all());
    $partial = glob($this->folder('out').'/.*.partial');
    expect($runs->every(fn (Run $run): bool => $run->work->refresh()->state === WorkState::Waiting))->toBeTrue()
        ->and($partial)->toHaveCount(2);
    $made = hash_file('xxh128', $partial[0]);
    $whole || ftruncate(fopen($partial[0], 'r+b'), 1000);
    $this->work();
    $taken = '%with all of the file: it is not made again.';
    $again = fn (Run $run): int => RunLog::query()->where('run_id', $run->id)->where('text', 'like', $taken)->count();
    $isWell = fn (Run $run): bool => $run->refresh()->work->state === WorkState::Done && $run->slip['differences'] === [];
    expect($runs->every($isWell))->toBeTrue()
        ->and($runs->sum($again))->toBe($whole ? 2 : 1)
        ->and(glob($this->folder('out').'/.*.partial*'))->toBe([]);
    // What was finished is what there is.
    $whole && expect($runs->map(fn (Run $run): string => (string) hash_file('xxh128', $run->file)))->toContain($made);
})->with(['whole' => true, 'cut short' => false]);

it('keeps the slip of a run that another user retried first', function () {
    [$run] = $this->queued(($this->cut)(), [['preset' => 'sound-wav']])->all();
    ($this->ask)('POST', $run, 'stop');
    $asLoadedBefore = Run::query()->with('work')->findOrFail($run->id);
    ($this->ask)('POST', $run, 'retry');
    $this->work();
    expect(fn () => app(Packer::class)->retry($asLoadedBefore))->toThrow(PackRefused::class)
        ->and($run->refresh()->work->state)->toBe(WorkState::Done)
        ->and($run->slip)->not->toBeNull();
});

it('makes once more what was made, tries again what was not, and refuses what cannot be', function () {
    $run = $this->made(($this->cut)(), ['preset' => 'sound-wav']);
    expect(($this->ask)('POST', $run, 'retry', [], 422)['error']['message'])->toContain('Only what failed');
    $again = ($this->ask)('POST', $run, 'again', [], 202)['run'];
    $this->work();
    expect(Run::query()->find($again['id'])->work->state)->toBe(WorkState::Done)
        ->and($this->left('out'))->toHaveCount(2)
        ->and(array_unique(array_map(fn (string $name): string => hash_file('xxh128', $this->folder("out/{$name}")), $this->left('out'))))
        ->toHaveCount(1);
    touch($run->source, time() + 60);
    file_put_contents($run->source, 'changed', FILE_APPEND);
    expect(($this->ask)('POST', $run, 'again', [], 422)['error']['message'])->toContain('has changed or gone');
});

it('takes what is over off the page, puts it back, and keeps its slip', function () {
    $run = $this->made(($this->cut)(), ['preset' => 'sound-wav']);
    $clear = fn (bool $cleared) => $this->answer(
        $this->postJson('/api/runs/clear', ['runs' => [$run->id], 'cleared' => $cleared]),
        'runs-clear-answer',
    );
    $clear(true);
    expect(($this->ids)())->toBe([])->and($this->getJson("/api/packs/{$run->pack}")->json('runs.0.id'))->toBe($run->id);
    $clear(false);
    expect(($this->ids)())->toBe([$run->id]);
});

it('makes no more at once than is asked, with as many workers as there are', function (int $atOnce) {
    config(['crate.work.at_once' => $atOnce]);
    $this->queued(($this->cut)(), array_fill(0, 4, ['preset' => 'sound-wav']));
    $kind = app(App\Work\Kinds::class)->only(['make']);
    $claimed = array_filter(array_map(fn (int $i) => app(WorkQueue::class)->claim($kind, "worker {$i} elsewhere"), range(1, 4)));
    expect($claimed)->toHaveCount($atOnce);
    // What stands still leaves its place to another.
    app(WorkQueue::class)->pause($claimed[0], true);
    expect(app(WorkQueue::class)->claim($kind, 'worker 5 elsewhere'))->not->toBeNull();
})->with([1, 2]);

it('waits for room in place of failing, says so, and goes on when there is some', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'sound-wav']])[0];
    $plan = $run->plan;
    $run->update(['plan' => array_replace_recursive($plan, ['estimate' => ['bytes' => 10 ** 17]])]);
    $this->work();
    $waits = ($this->list)()['runs'][0];
    expect($waits['state'])->toBe('waiting')
        ->and($waits['error'])->toMatch('~^It waits for room: about 100\s?PB are needed~u')
        ->and($this->left('out'))->toBe([]);
    $run->update(['plan' => $plan]);
    $this->work();
    expect($run->refresh()->work->state)->toBe(WorkState::Waiting);
    $this->travel(31)->seconds();
    $this->work();
    expect($run->refresh()->work->state)->toBe(WorkState::Done)->and($run->work->error)->toBeNull();
});

it('sums a file up twice in one reading, as other programs do', function () {
    $run = $this->made(($this->cut)(), ['preset' => 'sound-wav']);
    $sha256 = strtok((new Process(['sha256sum', $run->file]))->mustRun()->getOutput(), ' ');
    expect($run->slip['sha256'])->toBe($sha256)
        ->and($run->slip['xxh64'])->toBe(hash_file('xxh64', $run->file))
        // The answer for nothing is known (xxHash, doc/xxhash_spec.md).
        ->and(App\Media\Checksum::both($this->file('empty', ''))['xxh64'])->toBe('ef46db3751d8e999');
});

it('sends a waiting run back to its sheet, and makes what becomes of it in its place', function () {
    $cut = $this->bringIn('few');
    $output = fn (string $key, array $edits = []): array => [
        'key' => $key, 'preset' => 'sound-wav', 'host' => null, 'edits' => (object) $edits,
    ];
    $save = fn (array ...$outputs) => $this->putJson("/api/cuts/{$cut['id']}/sheet", ['range' => null, 'outputs' => $outputs])->assertOk();
    $save($output('a'), $output('b'), $output('c'));
    [$one, $two, $three] = array_column($this->post("/api/cuts/{$cut['id']}/pack?again=1")->assertStatus(202)->json('runs'), 'id');
    $run = Run::query()->findOrFail($two);
    expect(($this->ask)('POST', $run, 'recall')['run'])->toMatchArray(['recalled' => true, 'paused' => true, 'output' => 'b']);
    // Its column is gone from the sheet meanwhile, and comes back with it.
    $save($output('a'));
    ($this->ask)('POST', $run, 'recall');
    $sheet = $this->getJson("/api/cuts/{$cut['id']}/sheet")->json('outputs');
    expect(array_column($sheet, 'key'))->toBe(['a', 'b']);

    $save($output('a'), $output('b', ['audio' => ['bitDepth' => 16]]));
    $new = $this->post("/api/cuts/{$cut['id']}/pack?again=1&only=b")->assertStatus(202)->json('runs');
    expect($new)->toHaveCount(1)
        ->and(($this->ids)())->toBe([$one, $new[0]['id'], $three])
        ->and(Run::query()->find($two))->toBeNull()
        ->and($this->post("/api/cuts/{$cut['id']}/pack?only=x")->assertNotFound()->json('error.message'))->toContain('no such column');
    $this->work();
    expect(Run::query()->find($new[0]['id'])->slip['found']['audio'])->toContain('16')
        ->and(($this->ask)('POST', Run::query()->find($one), 'recall', [], 422)['error']['message'])->toContain('Only what waits');
});

it('packs what is decided on several sheets, and says which could not be', function () {
    $cuts = [$this->bringIn('few'), $this->bringIn('plain'), $this->bringIn('long')];
    foreach ($cuts as $i => $cut) {
        $outputs = $i === 2 ? [] : [['key' => 'a', 'preset' => 'sound-wav', 'host' => null, 'edits' => (object) []]];
        $this->putJson("/api/cuts/{$cut['id']}/sheet", ['range' => null, 'outputs' => $outputs])->assertOk();
    }
    $answer = $this->answer($this->postJson('/api/packs', ['cuts' => array_column($cuts, 'id')]), 'packs-answer', 202);
    expect(array_column($answer['runs'], 'cut'))->toBe([$cuts[0]['id'], $cuts[1]['id']])
        ->and(array_column($answer['refused'], 'cut'))->toBe([$cuts[2]['id']])
        ->and($answer['refused'][0]['message'])->toContain('Add an output first');
});

it('saves and packs in one for a page that is left at once, also where the save before was still under way', function () {
    $cut = $this->bringIn('few');
    $began = $this->getJson("/api/cuts/{$cut['id']}/sheet")->json('version');
    $save = fn (array $presets, string $more = '') => $this->putJson("/api/cuts/{$cut['id']}/sheet{$more}", [
        'version' => $began, 'range' => null, 'outputs' => array_map(
            fn (string $preset): array => ['key' => $preset, 'preset' => $preset, 'host' => null, 'edits' => (object) []], $presets,
        ),
    ]);
    $packed = fn (): array => Run::query()->orderBy('id')->pluck('output')->all();
    $save(['sound-wav'])->assertOk();
    expect($packed())->toBe([]);
    $save(['sound-wav', 'sound-mp3'], '?pack=1')->assertOk()->assertJsonCount(2, 'outputs');
    expect($packed())->toBe(['sound-wav', 'sound-mp3']);
    $save(['sound-wav', 'sound-mp3'], '?pack=1')->assertStatus(409);
    $save(['sound-wav', 'sound-mp3'], '?pack=1&again=1')->assertOk();
    expect($packed())->toHaveCount(4);
});

it('tells only what changed since it was asked before, and the order of all', function () {
    [$one, $two] = $this->queued(($this->cut)(), array_fill(0, 2, ['preset' => 'sound-wav']))->all();
    $this->travel(10)->seconds();
    $at = ($this->list)()['at'];
    $this->travel(10)->seconds();
    $since = fn (): array => $this->answer($this->getJson('/api/queue/changes?since='.rawurlencode($at)), 'queue');
    expect($since()['runs'])->toBe([])->and($since()['order'])->toBe([$one->id, $two->id]);
    ($this->ask)('POST', $two, 'pause');
    expect(array_column($since()['runs'], 'id'))->toBe([$two->id]);
    ($this->ask)('POST', $two, 'stop');
    expect($since()['runs'][0]['state'])->toBe('stopped')->and($since()['order'])->toBe([$one->id]);
    $this->postJson('/api/runs/clear', ['runs' => [$two->id], 'cleared' => true]);
    expect($since()['runs'][0]['cleared'])->toBeTrue();
    $this->answer($this->getJson('/api/queue/changes'), 'error', 422);
});

/** What lies in a file, packet for packet, by another eye than the one that made it. */
function packetsOf(string $file): string
{
    $command = ['ffmpeg', '-v', 'error', '-i', $file, '-map', '0', '-c', 'copy', '-f', 'streamhash', '-hash', 'md5', '-'];

    return (new Process($command))->mustRun()->getOutput();
}

it('decodes a cut once for several files, each of which is what it would be alone', function () {
    $cut = ($this->cut)();
    $rate = ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 20_000], 'peak' => ['kbps' => 40_000]];
    $outputs = [
        ['preset' => 'archive-10-bit'],
        ['preset' => 'review-720', 'edits' => ['bitrate' => $rate]],
        ['preset' => 'review-720', 'edits' => [
            'video' => ['codec' => 'vp9'], 'container' => ['set' => 'webm'], 'audio' => ['codec' => 'opus'], 'bitrate' => $rate,
        ]],
    ];
    $alone = $this->queued($cut, $outputs)->map(fn (Run $run): Run => $this->make($run));
    $together = $this->queued($cut, $outputs);
    app(Worker::class)->one(['make']);
    foreach ($together as $i => $run) {
        $run->refresh();
        expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)
            ->and($run->slip['frames'])->toBe(12)
            ->and($run->slip['differences'])->toBe($alone[$i]->slip['differences']);
        $packets = array_map(packetsOf(...), [$run->file, $alone[$i]->file]);
        // With a peak, the encoder of H.264 comes to something else each time: near it, by what it asked of its own first pass.
        expect($i === 1 ? array_map(fn (string $all): string => explode("\n", $all)[1], $packets) : $packets)->each->toBe(
            $i === 1 ? explode("\n", $packets[0])[1] : $packets[0],
        );
        expect($run->slip['quantiser'])->toEqualWithDelta($alone[$i]->slip['quantiser'], $i === 1 ? 1.0 : 0.0);
    }
    $log = fn (Run $run): string => $this->get("/api/runs/{$run->id}/log?text=1")->getContent();
    expect($log($together[0]))->toContain('Decoded once, together with '.basename($together[1]->file))
        // In the first run of the engine all, in the second those that have two passes.
        ->and(substr_count($log($together[0]), 'Decoded once'))->toBe(1)
        ->and(substr_count($log($together[1]), 'Decoded once'))->toBeGreaterThan(1);
});

it('checks files that were made together side by side', function () {
    // None of the checks goes on before all of them have begun.
    $begun = $this->folder('out').'/../begun';
    $engine = $this->folder('out').'/../waiting';
    file_put_contents($engine, <<<SH
        #!/bin/sh
        case "$*" in *all-pictures*)
            echo >> {$begun}
            looks=0
            while [ "\$(wc -l < {$begun})" -lt 3 ]; do
                looks=\$((looks + 1))
                [ \$looks -lt 200 ] || exit 1
                sleep 0.1
            done;;
        esac
        exec ffmpeg "$@"
        SH);
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    $runs = $this->queued(($this->cut)(), [['preset' => 'archive-10-bit'], ['preset' => 'review-720'], ['preset' => 'light-lossless']]);
    app(Worker::class)->one(['make']);
    expect($runs->map(fn (Run $run): WorkState => $run->work->refresh()->state)->all())->each->toBe(WorkState::Done);
});

it('ends one of several that are made together, and goes on with the others', function () {
    $output = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => ['video' => ['effort' => 'slower']]];
    [$one, $two, $three] = $this->queued(($this->cut)('long'), array_fill(0, 3, $output))->all();
    config(['crate.work.lease' => 2]);
    $seen = [];
    app(Worker::class)->one(['make'], onProgress: function (Work $work) use ($two, $three, &$seen): void {
        if ($work->percent > 0 && $seen === []) {
            $seen['inHand'] = Work::query()->where('state', WorkState::Running)->count();
            app(WorkQueue::class)->pause($three->work, true);
        } elseif ($work->paused) {
            // What was asked of one stands for all that the engine has in hand, and so does this.
            $seen['paused'] = $two->work->refresh()->paused;
            app(WorkQueue::class)->stop($two->work);
            app(WorkQueue::class)->pause($work, false);
        }
    });
    expect($seen)->toMatchArray(['inHand' => 3, 'paused' => true])
        ->and(array_map(fn (Run $run): string => $run->refresh()->work->state->value, [$one, $two, $three]))
        ->toBe(['done', 'stopped', 'done'])
        ->and($this->left('out'))->toEqualCanonicalizing([basename($one->file), basename($three->file)])
        ->and(array_filter([$one->slip['differences'], $three->slip['differences']]))->toBe([])
        ->and(File::directories(config('crate.derived').'/work'))->toHaveCount(1);
    ($this->ask)('POST', $two, 'retry');
    $this->work();
    expect($two->refresh()->work->state)->toBe(WorkState::Done);
});

it('leaves a file to a machine that has nothing to do, if more may be made at once', function (int $atOnce, int $taken) {
    config(['crate.work.at_once' => $atOnce]);
    PresentWorker::query()->create([
        'owner' => 'idle:1:2:3', 'host' => 'idle', 'kinds' => ['make'], 'cores' => 2, 'engine' => null, 'seen_at' => Work::now(),
    ]);
    $this->queued(($this->cut)(), array_fill(0, 2, ['preset' => 'archive-10-bit']));
    app(Worker::class)->one(['make']);
    expect(Work::query()->where('state', WorkState::Done)->count())->toBe($taken);
})->with([[2, 1], [1, 2]]);

it('makes each by itself where the engine cannot make them together', function () {
    $engine = $this->folder('out').'/../alone-only';
    $together = 'case "$*" in *picture0*picture1*) echo "Cannot allocate memory" >&2; exit 1;; esac; exec ffmpeg "$@"';
    file_put_contents($engine, "#!/bin/sh\n{$together}\n");
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    $runs = $this->queued(($this->cut)(), array_fill(0, 2, ['preset' => 'archive-10-bit']));
    app(Worker::class)->one(['make']);
    foreach ($runs as $run) {
        expect($run->refresh()->work->state)->toBe(WorkState::Done, (string) $run->work->error)
            ->and($this->get("/api/runs/{$run->id}/log?text=1")->getContent())->toContain('Together it could not be done');
    }
});
