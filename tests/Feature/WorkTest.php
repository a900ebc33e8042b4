<?php

use App\Engine\Capabilities;
use App\Engine\ClockWatch;
use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\ClearLeftovers;
use App\Packing\MakeFile;
use App\Work\Conclusion;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Kinds;
use App\Work\Meter;
use App\Work\Owner;
use App\Work\Presence;
use App\Work\Priority;
use App\Work\SideBySide;
use App\Work\Worker;
use App\Work\WorkerGroup;
use App\Work\WorkQueue;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use OuterCrate\Naming\FileName;
use Symfony\Component\Process\Process;
use Tests\Support\Elsewhere;
use Tests\Support\TestDatabase;

/** A database in a file, which other processes can work on too. */
function shared(): string
{
    TestDatabase::share($folder = dirname(test()->folder('x')));

    return $folder;
}

function waitFor(Closure $holds, string $what, float $seconds = 120): void
{
    for ($until = microtime(true) + $seconds; microtime(true) < $until; usleep(20_000)) {
        if ($holds()) {
            return;
        }
    }
    test()->fail("Waited in vain: {$what}");
}

/** What happens to a lease that its owner lets run out. */
function abandon(Work $work): Work
{
    $work->update(['state' => WorkState::Running, 'owner' => 'gone', 'attempts' => $work->attempts + 1, 'lease_until' => Work::now(-1)]);

    return $work;
}

beforeEach(function (): void {
    $this->cut = fn (string $kind = 'plain'): Cut => Cut::query()->find($this->bringIn($kind)['id']);
});

it('gives a piece of work to one owner only', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $queue = app(WorkQueue::class);
    $kinds = app(Kinds::class)->only(['make']);
    $first = $queue->claim($kinds, 'one');
    expect($first->id)->toBe($run->work->id)->and($queue->claim($kinds, 'two'))->toBeNull()->and($queue->beat($first))->toBeTrue();
    $this->travel(31)->seconds();
    $second = $queue->claim($kinds, 'two');
    expect($second->id)
        ->toBe($first->id)
        ->and($second->lost)
        ->toBe(1)
        ->and($queue->beat($first))
        ->toBeFalse()
        ->and($queue->beat($second))
        ->toBeTrue();
    // Whoever lost it can neither end it nor give it back.
    $queue->end($first, WorkState::Failed, 'too late');
    $queue->giveBack($first);
    expect($second->refresh()->state)->toBe(WorkState::Running);
});

it('takes nothing over from whoever is there when a clock is set, and all when they are silent', function () {
    config(['crate.work.lease' => 0.6]);
    $elsewhere = Owner::of((int) getmypid());
    $run = $this->aRun(state: WorkState::Running, work: ['owner' => $elsewhere]);
    $queue = app(WorkQueue::class);
    $kinds = app(Kinds::class)->only(['make']);
    $this->travel(1)->hours();
    // Its owner goes on saying that it is there, by a clock that stands an hour back.
    foreach (range(1, 3) as $beat) {
        expect($queue->claim($kinds, 'other'))->toBeNull();
        Work::query()->whereKey($run->work->id)->update(['lease_until' => Work::now(-3600 + $beat)]);
        usleep(200_000);
    }
    expect($queue->claim($kinds, 'other'))->toBeNull();
    usleep(320_000);
    expect($queue->claim($kinds, 'other')?->id)->toBe($run->work->id);
});

it('changes nothing of a run that another owner took in hand meanwhile', function () {
    config(['crate.work.lease' => 0.01]);
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $take = function (Work $work) use ($run): void {
        Work::query()->whereKey($work->id)->update(['owner' => 'other', 'attempts' => $work->attempts + 1, 'lease_until' => Work::now(60)]);
        $run->update(['slip' => ['sha256' => 'of the other']]);
    };
    app(Worker::class)->one(['make'], onProgress: $take);
    expect($run->refresh()->slip)->toBe(['sha256' => 'of the other'])
        ->and($run->work->refresh()->owner)->toBe('other')
        ->and($this->left('out'))->toBe([])
        ->and(app(WorkQueue::class)->whileOwned($run->work, fn () => null))->toBeTrue();
    $run->work->owner = 'one';
    expect(app(WorkQueue::class)->whileOwned($run->work, fn () => $run->update(['slip' => null])))->toBeFalse()
        ->and($run->refresh()->slip)->toBe(['sha256' => 'of the other']);
});

it('puts nothing in the queue twice, nor fails, where two do it at the same moment', function () {
    $run = $this->aRun();
    $run->work->delete();
    $isFirst = true;
    Work::creating(function (Work $work) use (&$isFirst): void {
        if ($isFirst) {
            $isFirst = false;
            DB::table('works')->insert(['kind' => $work->kind, 'subject' => $work->subject, 'state' => 'running', 'priority' => 1]);
        }
    });
    $work = app(WorkQueue::class)->put(app(Kinds::class)->get(Run::WORK), $run->id);
    Work::flushEventListeners();
    expect($work->state)->toBe(WorkState::Running)->and(Work::query()->where('subject', $run->id)->count())->toBe(1);
});

it('tries at once what was put off when the clock is set back', function () {
    $run = $this->aRun(work: ['not_before' => Work::now(30)]);
    $watch = new ClockWatch;
    expect($watch->wasSetBack())->toBeFalse();
    $this->travel(-3)->hours();
    expect($watch->wasSetBack())->toBeTrue()->and($watch->wasSetBack())->toBeFalse();
    app(WorkQueue::class)->hurryAll();
    expect($run->work->refresh()->not_before)->toBeNull();
    $this->travel(5)->hours();
    expect($watch->wasSetBack())->toBeFalse();
});

it('makes a run again by itself whose worker was killed, and clears away what that left', function () {
    $cut = ($this->cut)();
    [$run, $next] = $this->queued($cut, [['preset' => 'review-720'], ['preset' => 'sound-wav']])->all();
    abandon($run->work);
    foreach (['', '.tagged'] as $ending) {
        file_put_contents(dirname($run->file).'/.'.basename($run->file).".run{$run->id}-1.partial{$ending}", 'half');
    }
    $this->work();
    expect([$run->refresh()->work->state, $next->refresh()->work->state])
        ->toBe([WorkState::Done, WorkState::Done])
        ->and($this->left('out'))
        ->toEqualCanonicalizing(['Plain review.mp4', 'Plain sound.wav']);
    // An engine survived its worker and wrote a partial file that nobody uses.
    $of = fn (Run $run): string => dirname($run->file).'/.'.basename($run->file).".run{$run->id}-1.partial";
    file_put_contents($of($run), 'half');
    touch($of($run), time() - 700);
    file_put_contents($of($next), 'being written');
    app(ClearLeftovers::class)->sweep();
    expect(is_file($of($run)))->toBeFalse()->and(is_file($of($next)))->toBeTrue();
});

it('finds a file finished whose worker was killed before it could say so, and does not make it twice', function (bool $told) {
    $cut = ($this->cut)();
    $run = $this->made($cut, ['preset' => 'review-720']);
    $made = filemtime($run->file);
    touch($run->file, $made - 100);
    // The name was given, and the one before it not taken away yet.
    link($run->file, dirname($run->file).'/.'.basename($run->file).".run{$run->id}-1.partial");
    $log = RunLog::query()->where('run_id', $run->id);
    $told ?: $log->clone()->latest('id')->first()->delete();
    abandon($run->work);
    $this->work();
    expect($run->refresh()->work->state)
        ->toBe(WorkState::Done)
        ->and($this->left('out'))
        ->toBe(['Plain review.mp4'])
        ->and(filemtime($run->file))
        ->toBe($made - 100)
        ->and($log->where('text', 'like', 'Made: % in %/Plain review.mp4.')->count())
        ->toBe(1);
})->with(['its log told it' => true, 'its log had no time to' => false]);

it('takes no other run’s file for its own that is the same to the byte', function () {
    [, $one, $two] = $this->queued(($this->cut)(), array_fill(0, 3, ['preset' => 'review-720']))->all();
    $other = $this->make($two);
    // Its name is that of a second version of the other's, whose worker was killed when its slip was written and its file had no name.
    $one->update(['slip' => $other->slip, 'card' => $other->card]);
    abandon($one->work);
    expect(basename($other->file))->toBe(FileName::version(basename($one->file), 2))
        ->and($this->make($one)->work->state)->toBe(WorkState::Done)
        ->and($one->file)->not->toBe($other->file)
        ->and(hash_file('sha256', $one->file))->toBe($other->slip['sha256'])
        ->and($this->left('out'))->toHaveCount(2);
});

it('does not call a finished file failed when something breaks afterwards', function () {
    $run = $this->queued(($this->cut)('long'), [['preset' => 'review-720']])[0];
    DB::statement('drop table speeds');
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Done)->and(is_file($run->file))->toBeTrue();
});

it('stops what was abandoned and asked to stop, and gives up what cost its owner’s life too often', function () {
    [$stopped, $fatal] = $this->queued(($this->cut)(), [['preset' => 'review-720'], ['preset' => 'sound-wav']])->all();
    abandon($stopped->work)->update(['stop_asked' => true]);
    abandon($fatal->work)->update(['lost' => 3]);
    foreach ([$stopped, $fatal] as $run) {
        file_put_contents(dirname($run->file).'/.'.basename($run->file).".run{$run->id}-1.partial", 'half');
    }
    $this->work();
    expect($stopped->refresh()->work->state)
        ->toBe(WorkState::Stopped)
        ->and($fatal->refresh()->work->state)
        ->toBe(WorkState::Failed)
        ->and($fatal->work->error)
        ->toContain('begun 4 times')
        ->and($this->left('out'))
        ->toBe([]);
    // That nothing is left is noted as after any other end.
    $told = App\Models\QueueEnd::query()->sole()->told;
    expect(array_column($told['stopped'], 'run'))->toBe([$stopped->id])->and(array_column($told['failed'], 'run'))->toBe([$fatal->id]);
});

it('leaves work of another process alone, and works on beside it', function () {
    $this->queued(($this->cut)(), [['preset' => 'review-720']])[0]->work->update([
        'state' => WorkState::Running,
        'owner' => 'bin/crate elsewhere',
        'attempts' => 1,
        'lease_until' => Work::now(20),
    ]);
    Artisan::call('crate:catch-up');
    expect(Run::query()->first()->work->state)
        ->toBe(WorkState::Running)
        ->and(app(Worker::class)->one(['make']))
        ->toBeFalse();
});

it('starts and works where a drive for deliveries has gone', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $run->update(['file' => '/proc/gone/review.mp4']);
    abandon($run->work);
    expect(Artisan::call('crate:catch-up'))->toBe(0);
    $this->work();
    expect($run->refresh()->work->state)
        ->toBe(WorkState::Failed)
        ->and($run->work->error)
        ->toContain('folder cannot be made');
});

it('ends an engine that hangs, says so, and goes on with the next', function () {
    $engine = $this->folder('out').'/engine';
    file_put_contents(
        $engine,
        "#!/bin/sh\ncase \"$*\" in *-version*) echo 'ffmpeg version 7.0';; *-encoders*) echo ' V....D libx264  x'; echo ' A....D "
            ."aac  x';; *) echo progress=continue; exec sleep 60;; esac\n",
    );
    chmod($engine, 0o755);
    $cut = ($this->cut)();
    config(['crate.engine.encoder' => $engine, 'crate.engine.stall' => 1]);
    $run = $this->made($cut, ['preset' => 'review-720']);
    expect($run->work->state)->toBe(WorkState::Failed)->and($run->work->error)->toContain('The engine hung: nothing moved for 1 s');
    unlink($engine);
    expect($this->left('out'))->toBe([]);
});

it('names what a killed engine was ended by', function (int $signal, string $name) {
    expect(EngineFailed::killed($signal)->getMessage())->toContain("ended by the signal {$name}");
})->with([[SIGKILL, 'KILL'], [SIGSEGV, 'SEGV'], [99, '99']]);

it('puts an analysis down as soon as something comes first, and takes it up where it was', function () {
    config(['crate.segment' => 1]);
    $cut = ($this->cut)('leftover');
    $notes = 0;
    $put = function () use (&$notes, $cut): void {
        if (++$notes === 1) {
            $this->queued($cut, [['preset' => 'sound-wav']]);
        }
    };
    app(Worker::class)->one(['analyse'], onProgress: $put);
    $analysis = CutAnalysis::query()->sole();
    expect($analysis->work->state)->toBe(WorkState::Waiting)->and(app(Worker::class)->one(['analyse']))->toBeFalse();
    $this->work('make');
    $this->work('analyse');
    expect($analysis->refresh()->work->state)
        ->toBe(WorkState::Done)
        ->and($analysis->result['suggestedRange']['lastFrame'])
        ->toBe(99);
});

it('goes on through a moment in which the database cannot be asked', function () {
    $kind = new class implements Kind
    {
        public int $ran = 0;

        public static function declaration(): Declaration
        {
            return new Declaration('made-up', 'makes things up', 'It broke.', WorkerGroup::Files, Priority::Analysis);
        }

        public function run(Work $work, Meter $meter): void
        {
            $this->ran++;
            DB::statement('alter table works rename to away');
            $meter->note(0.5, last: true);
            expect($meter->shouldStop())->toBeFalse();
            DB::statement('alter table away rename to works');
            $meter->note(0.6, last: true);
        }
    };
    $queue = app(WorkQueue::class);
    $work = $queue->put($kind, 1);
    app()->instance($kind::class, $kind);
    $kinds = new Kinds([$kind::class], app());
    app(Worker::class, ['queue' => $queue, 'kinds' => $kinds, 'conclusion' => new Conclusion($queue)])->one(['made-up']);
    expect($kind->ran)->toBe(1)->and($work->refresh()->state)->toBe(WorkState::Done);
});

it('does not wait for the lease of a process that has ended', function (bool $gone) {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $other = new Process(['sleep', '60']);
    $other->start();
    $owner = Owner::of($other->getPid());
    $gone ? $other->stop(0) : null;
    $queue = app(WorkQueue::class);
    $kinds = app(Kinds::class)->only(['make']);
    $held = $queue->claim($kinds, $owner);
    $queue->beat($held, [], 900);
    expect($queue->claim($kinds, 'me')?->subject)->toBe($gone ? $run->id : null);
    $other->stop(0);
})->with(['it has ended' => true, 'it is at work' => false]);

it('survives a kill at any moment of a run', function () {
    $folder = shared();
    // The seed is another one each time, and printed when it fails.
    $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
    mt_srand($seed);
    $cut = ($this->cut)();
    $outputs = array_map(
        fn (int $i): array => ['preset' => ['review-720', 'archive-10-bit', 'frames-png', 'lossless-vault', 'sound-wav'][$i % 5]],
        range(0, 4),
    );
    $runs = $this->queued($cut, $outputs);
    $lively = ['CRATE_WORK_LEASE' => '0.3', 'CRATE_WORK_MOST_LOST' => '1000'];
    for ($kill = 0; $kill < 25; $kill++) {
        $worker = Elsewhere::artisan($folder, ['crate:work', '--groups=files'], $lively);
        // From before it has booted to after a run or two.
        usleep(mt_rand(100_000, 900_000));
        $worker->signal(SIGKILL);
        waitFor(fn (): bool => ! $worker->isRunning(), 'the killed worker is gone');
        if (Run::over()->count() === count($runs)) {
            $runs = $runs->concat($this->queued($cut, $outputs));
        }
    }
    config(['crate.work.most_lost' => 1000]);
    usleep(400_000);
    $this->work();
    $told = "seed {$seed}";
    $files = [];
    foreach (Run::query()->get() as $run) {
        expect($run->work->state)
            ->toBe(WorkState::Done, "{$told}: {$run->work->error}")
            ->and(array_column(array_filter($run->slip['differences'], fn (array $d): bool => $d['cell'] !== 'bitrate'), 'text'))
            ->toBe([], $told);
        $files[] = $run->file;
    }
    $there = array_diff(scandir($this->folder('out')), ['.', '..']);
    expect(count(array_unique($files)))
        ->toBe(count($files), $told)
        ->and(array_values($there))
        ->toEqualCanonicalizing(array_map(basename(...), $files), $told);
});

it('makes here what a killed bin/crate pack left waiting', function () {
    $folder = shared();
    $path = $this->clip('long');
    $pack = Elsewhere::crate(
        $folder,
        ['pack', $path, '--output=slow-line', '--output=sound-wav', "--to={$folder}/out"],
        ['CRATE_WORK_LEASE' => '0.5'],
    );
    $underWay = fn (): bool => Work::query()->whereIn('state', WorkState::inHand())->where('frames', '>', 0)->exists();
    waitFor($underWay, 'the pack is under way');
    $pack->signal(SIGKILL);
    waitFor(fn (): bool => ! $pack->isRunning(), 'the killed pack is gone');
    usleep(600_000);
    $this->work();
    expect(Run::query()->get()->map(fn (Run $run): WorkState => $run->work->state)->all())
        ->toBe([WorkState::Done, WorkState::Done])
        ->and($this->left('out'))
        ->toEqualCanonicalizing(Run::query()->get()->map(fn (Run $run): string => basename($run->file))->all());
});

it('takes over nothing of what another process is making', function () {
    $folder = shared();
    $pack = Elsewhere::crate($folder, ['pack', $this->clip('long'), '--output=slow-line', "--to={$folder}/out", '--json']);
    waitFor(fn (): bool => Work::query()->whereIn('state', WorkState::inHand())->exists(), 'the pack is under way');
    Artisan::call('crate:catch-up');
    expect(app(Worker::class)->one(['make']))->toBeFalse();
    $pack->wait();
    expect($pack->getExitCode())
        ->toBe(0)
        ->and(json_decode($pack->getOutput(), true)['outputs'][0]['state'])
        ->toBe('done')
        ->and(Work::query()->where('kind', Run::WORK)->sole()->attempts)
        ->toBe(1);
});

it('waits for a run that another worker took from bin/crate pack', function () {
    $folder = shared();
    $worker = Elsewhere::artisan($folder, ['crate:work', '--groups=files']);
    $pack = Elsewhere::crate($folder, ['pack', $this->clip(), '--output=review-720', '--output=sound-wav', "--to={$folder}/out", '--json']);
    $pack->wait();
    $worker->signal(SIGTERM);
    $worker->wait();
    expect($pack->getExitCode())
        ->toBe(0)
        ->and(array_column(json_decode($pack->getOutput(), true)['outputs'], 'state'))
        ->toBe(['done', 'done'])
        ->and($worker->getExitCode())
        ->toBe(0);
});

it('lets workers end with the queue where that is configured, and not begin anew', function () {
    $folder = shared();
    $worker = Elsewhere::artisan($folder, ['crate:work', '--groups=files'], ['CRATE_END_QUITS' => 'true']);
    Elsewhere::crate($folder, ['pack', $this->clip(), '--output=sound-wav', "--to={$folder}/out"])->wait();
    expect($worker->wait())->toBe(86);
});

it('refuses a group of workers that does not exist', function () {
    expect(Artisan::call('crate:work', ['--groups' => 'files,dance']))->toBe(2);
});

it('keeps paths as a volume and what lies below it', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    expect(DB::table('runs')->value('file'))
        ->toBe('deliveries:Plain review.mp4')
        ->and(DB::table('runs')->value('source'))
        ->toStartWith(':/');
    config(['crate.volumes.deliveries' => '/mnt/elsewhere']);
    expect($run->refresh()->file)->toBe('/mnt/elsewhere/Plain review.mp4');
    DB::table('runs')->update(['file' => 'gone:x.mp4']);
    expect(fn () => $run->refresh()->file)->toThrow(RuntimeException::class, 'no volume “gone”');
});

it('builds the engine’s arguments where the run is made, for what that machine has', function () {
    $hardware = ['preset' => 'review-720', 'edits' => ['video' => ['codec' => 'h264', 'device' => 'hardware']]];
    $run = $this->queued(($this->cut)(), [$hardware])[0];
    // Planned on a machine with a chip, made on this one, which has none.
    $document = $run->document;
    $document['values']['video']['encoder'] = 'h264_nvenc';
    $run->update(['document' => $document]);
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error);
});

it('deletes the partial file of a worker that lost its run unnoticed', function () {
    $run = $this->queued(($this->cut)('long'), [['preset' => 'review-720']])[0];
    $late = $this->folder('out').'/.'.basename($run->file).".run{$run->id}-9.partial";
    $this->make($run, fn () => file_put_contents($late, 'half'));
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)->and($this->left('out'))->toBe([basename($run->file)]);
});

it('says why a stored plan cannot be read, keeps it, and shows what was planned', function (Closure $change, string $says) {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $document = $change($run->document);
    $run->update(['document' => $document]);
    $told = $this->answer($this->getJson("/api/packs/{$this->make($run)->pack}"), 'pack')['runs'][0];
    expect($run->work->state)->toBe(WorkState::Failed)
        ->and($told['error'])->toContain($says)->toContain('Pack it again from its sheet.')
        ->and($told['plan']['values']['video']['label'])->toStartWith('H.264')
        ->and($run->refresh()->document)->toEqual($document);
})->with([
    'of a later version' => [fn (array $plan): array => ['version' => 2] + $plan, 'stored by a later version of Outer Crate'],
    'with a codec that is not there' => [
        fn (array $plan): array => array_replace_recursive($plan, ['values' => ['video' => ['codec' => 'x-1']]]),
        'There is no video codec “x-1” here.',
    ],
    'of nothing' => [fn (array $plan): array => [], 'What was stored is no plan.'],
]);

it('decides what an older plan lacks when the file is made, and the slip says which', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'review-720']])[0];
    $document = $run->document;
    unset($document['values']['keyframes'], $document['origins']['keyframes']);
    $plan = $run->plan;
    $label = $plan['values']['keyframes']['label'];
    unset($plan['values']['keyframes'], $plan['origins']['keyframes']);
    $run->update(['document' => $document, 'plan' => $plan]);
    $this->make($run);
    expect($run->work->state)->toBe(WorkState::Done, (string) $run->work->error)
        ->and(array_column($run->slip['notes'], 'text', 'cell')['keyframes'])
        ->toBe('Keyframes: decided when the file was made, as the stored plan did not say it.')
        ->and($run->slip['differences'])->toBe([])
        ->and($run->plan['values']['keyframes']['label'])->toBe($label);
});

it('knows the kinds of work by one list', function () {
    expect(app(Kinds::class)->names())
        ->toBe(['make', 'part', 'hash', 'sample', 'analyse', 'transit', 'teach', 'tell', 'after', 'send', 'follow', 'bring'])
        ->and(app(Kinds::class)->get('make'))
        ->toBeInstanceOf(MakeFile::class);
});

it('lets nothing that uses this machine give way to what waits for a host', function () {
    $kinds = app(Kinds::class);
    $queue = app(WorkQueue::class);
    foreach (['send', 'follow', 'bring'] as $name) {
        $queue->put($kinds->get($name), 1);
    }
    foreach (['sample', 'analyse', 'transit', 'teach'] as $name) {
        $work = $queue->put($kinds->get($name), 1);
        expect($queue->claim([$kinds->get($name)], 'one:1')?->id)->toBe($work->id, $name);
        $queue->end($work->refresh(), WorkState::Done);
    }
});

it('says when no worker is there', function () {
    config(['crate.work.idle' => 0.1]);
    $there = fn (): bool => $this->answer($this->getJson('/api/strip'), 'strip')['worker'];
    expect($there())->toBeFalse();
    app(Worker::class)->run(['make'], fn (): bool => false, function () use (&$looks, &$while, $there): bool {
        $while = $looks === 1 ? $there() : $while;

        return ++$looks > 1;
    });
    // One that ends says so; one that is killed is missed.
    expect([$while, $there()])->toBe([true, false]);
    (new Presence('other:1:2:3', ['make', 'analyse'], app(Capabilities::class)))->say();
    expect($there())->toBeTrue();
    $run = $this->aRun(['name' => 'Night firing.mp4'], WorkState::Running, [
        'owner' => 'other:1:2:3', 'percent' => 43, 'lease_until' => Work::now(5),
    ]);
    expect($this->answer($this->getJson('/api/workers'), 'worker-list')['workers'])->toHaveCount(1)->{0}->toMatchArray([
        'host' => config('crate.work.machine'), 'does' => 'makes files, looks at cuts', 'misses' => null,
        'inHand' => [['text' => 'Night firing.mp4', 'percent' => 43]],
    ]);
    Work::query()->where('subject', $run->id)->delete();
    $this->travel(76)->seconds();
    expect($there())->toBeFalse();
    // One that has been at work for an hour has no time to say so, and keeps its lease.
    $one = ['kind' => 'sample', 'subject' => 1, 'priority' => 10, 'owner' => 'another'];
    Work::query()->create($one + ['state' => WorkState::Running, 'lease_until' => Work::now(30)]);
    expect($there())->toBeTrue();
});

it('does several things at once, hears of each step, and ends them all when it is to stop', function () {
    $leave = fn (string $name): Closure => function (Closure $shouldStop, Closure $step) use ($name): void {
        file_put_contents("{$this->folder}/{$name}", (string) getmypid());
        $step();
        $name === 'broken' && throw new RuntimeException('It is said by whoever does it again.');
        $step();
    };
    $steps = 0;
    $count = function () use (&$steps): void {
        $steps++;
    };
    SideBySide::run([$leave('one'), $leave('two'), $leave('broken')], $count, fn (): bool => false);
    $ids = array_map(fn (string $name): string => (string) file_get_contents("{$this->folder}/{$name}"), ['one', 'two', 'broken']);
    expect($steps)->toBe(5)->and(array_unique([...$ids, (string) getmypid()]))->toHaveCount(4);

    // What is found meanwhile is known to whatever begins later.
    $found = 'nothing';
    $says = function (string $name) use (&$found): Closure {
        return function () use ($name, &$found): void {
            file_put_contents("{$this->folder}/{$name}", $found);
        };
    };
    $jobs = [...array_fill(0, SideBySide::atOnce(100), $says('first')), $says('later')];
    SideBySide::run($jobs, $count, fn (): bool => false, function () use (&$found): void {
        $found = 'the look of it';
    });
    expect(file_get_contents("{$this->folder}/first"))->toBe('nothing')
        ->and(file_get_contents("{$this->folder}/later"))->toBe('the look of it');

    $waits = fn (string $name): Closure => function (Closure $shouldStop, Closure $step) use ($name): void {
        $step();
        while (! $shouldStop()) {
            usleep(5_000);
        }
        file_put_contents("{$this->folder}/{$name}", 'put away');
    };
    $enough = function () use (&$steps): bool {
        return $steps >= 7;
    };
    expect(fn () => SideBySide::run([$waits('one'), $waits('two')], $count, $enough))->toThrow(Stopped::class);
    expect(file_get_contents("{$this->folder}/one").file_get_contents("{$this->folder}/two"))->toBe('put awayput away');
})->skip(fn (): bool => SideBySide::cores() < 2, 'There is one core.');
