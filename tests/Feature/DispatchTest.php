<?php

use App\Dispatch\Dispatches;
use App\Dispatch\HostAccounts;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Models\Run;
use App\Models\Teaching;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\Kinds;
use App\Work\Worker;
use App\Work\WorkQueue;
use OuterCrate\Dispatch\Stage;
use Symfony\Component\Process\Process;
use Tests\Support\CutLines;
use Tests\Support\Elsewhere;
use Tests\Support\StandInHost;
use Tests\Support\TestDatabase;

beforeEach(function (): void {
    $this->host = new StandInHost($this->folder('host'));
    $this->host->begin();
    // It makes sizes where a test is of them.
    $this->host->fault('processing-stands');
    config(['crate.dispatch.hosts' => ['lanternwick' => $this->host->address, 'platen' => $this->folder('drop')]]);
    $this->signedIn = fn (): HostAccount => app(HostAccounts::class)->signIn('lanternwick', StandInHost::NAME, StandInHost::PASSWORD);
    $this->upload = function (): Run {
        $cut = $this->bringIn('plain')['id'];

        return Run::query()->findOrFail(packed($cut, [['preset' => 'review-720']])[0]['id']);
    };
    $this->details = ['title' => 'Kiln Diary 14: Night firing', 'tags' => ['glaze', '#kiln', 'Glaze'], 'declarations' => [
        'madeForChildren' => false, 'paidPromotion' => false, 'alteredContent' => false, 'rights' => true,
    ]];
    $this->sent = function (Run $run, HostAccount $account, array $more = []): Dispatch {
        $asked = ['run' => $run->id, 'account' => $account->id, 'details' => $this->details] + $more;
        $id = $this->answer($this->postJson('/api/dispatches', $asked), 'dispatch-answer', 202)['dispatch']['id'];
        $this->work('send');

        return Dispatch::query()->findOrFail($id);
    };
    /** Until something holds; what was put off is looked at again at once. */
    $this->until = function (Dispatch $dispatch, callable $holds): Dispatch {
        for ($i = 0; $i < 150 && ! $holds($dispatch->refresh()); $i++) {
            Work::query()->update(['not_before' => null]);
            $this->work('send', 'follow');
            $holds($dispatch->refresh()) ?: usleep(200_000);
        }
        expect($holds($dispatch))->toBeTrue($dispatch->stage->value.': '.$dispatch->problem);

        return $dispatch;
    };
});

afterEach(fn () => $this->host->end());

it('sends a made file, holds it while its sizes come, and releases it when all are there', function () {
    $this->host->mend('processing-stands');
    $run = ($this->upload)();
    $account = ($this->signedIn)();
    $check = ['run' => $run->id, 'account' => $account->id];
    $remarks = $this->answer($this->postJson('/api/dispatches/check', $check), 'dispatch-check-answer')['remarks'];
    expect(array_column($remarks, 'about'))->toContain('file', 'checksum', 'time')
        ->and(array_column($remarks, 'severity'))->not->toContain('stop');

    $dispatch = ($this->sent)($run, $account);
    expect($dispatch->stage)->toBe(Stage::Held, (string) $dispatch->problem)
        ->and($dispatch->sent)->toBe(filesize($run->file))
        ->and($dispatch->video()->sha256)->toBe($run->slip['sha256'])
        ->and($dispatch->video()->visibility)->toBe('private');

    // Not before the terms are accepted; nobody accepts them for the person.
    $this->putJson("/api/dispatches/{$dispatch->id}/release", ['when' => 'now'])->assertStatus(422)->assertSee('terms');
    $this->putJson("/api/host-accounts/{$account->id}/terms")->assertOk();
    $this->answer($this->putJson("/api/dispatches/{$dispatch->id}/release", ['when' => 'ready']), 'dispatch-answer');
    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Released);

    // What its host made of it comes back: to be looked at beside the cut, and to teach the host.
    $this->postJson("/api/dispatches/{$dispatch->id}/bring-back")->assertOk();
    $this->work('bring');
    expect($dispatch->refresh()->came_back)->toHaveCount(count($dispatch->video()->ready()))
        ->and(Teaching::query()->find($dispatch->teaching_id)->asked['lessons'][0])->toBe([$run->file, ...$dispatch->came_back]);
    $files = http_build_query(['file' => [$dispatch->run->source, $dispatch->came_back[0]]]);
    expect($this->answer($this->getJson("/api/files/compare?{$files}"), 'comparison-view')['sources'])->toHaveCount(2);

    [$video] = $this->host->videos();
    expect($video['visibility'])->toBe('public')
        ->and($video['tier'])->toBe('basic')
        ->and(array_unique(array_column($video['renditions'], 'state')))->toBe(['ready'])
        ->and($video['details'])->toMatchArray(['title' => 'Kiln Diary 14: Night firing', 'tags' => ['glaze', 'kiln'], 'rights' => true])
        ->and(file_get_contents($video['page']))->toContain('Night firing');
    $learnt = ['shorterSide' => 360, 'ssimDb' => 14.21, 'kbps' => 512.3];
    $dispatch->teaching->update(['result' => ['lessons' => [['renditions' => [$learnt]]]]]);
    $list = $this->answer($this->getJson('/api/dispatches'), 'dispatch-list');
    expect($list['dispatches'][0]['measured'])->toBe([['lines' => 360, 'ssimDb' => 14.21, 'kbps' => 512.3]]);
    expect($list['dispatches'][0]['video']['better'])->toBe('The fine tier (VP9) is for uploads 1440 lines or taller, or above 30 fps.');
    expect(array_column($list['dispatches'][0]['record'], 'text'))->toContain('Arrived at its host.', 'Released: everybody can see it.')
        ->and(json_encode([$list, HostAccount::query()->first()]))->not->toContain((string) $account->token);
});

it('signs in to one account at a host although another request creates it at the same moment', function () {
    $isFirst = true;
    HostAccount::creating(function (HostAccount $account) use (&$isFirst): void {
        if ($isFirst) {
            $isFirst = false;
            $account->replicate()->saveQuietly();
        }
    });
    $account = ($this->signedIn)();
    expect($isFirst)->toBeFalse()->and(HostAccount::query()->sole()->id)->toBe($account->id)->and($account->token)->not->toBe('');
});

it('loses nothing by a wrong password or an expired token', function () {
    $wrong = ['host' => 'lanternwick', 'name' => StandInHost::NAME, 'password' => 'wrong'];
    $this->answer($this->postJson('/api/host-accounts', $wrong), 'error', 422);
    expect(HostAccount::query()->count())->toBe(0);

    $run = ($this->upload)();
    $account = ($this->signedIn)();
    $this->host->fault('token');
    $dispatch = ($this->sent)($run, $account);
    expect($dispatch->stage)->toBe(Stage::NeedsYou)->and($dispatch->problem)->toContain('Sign in again');
    // What is said of it meanwhile is kept.
    $this->answer($this->putJson("/api/dispatches/{$dispatch->id}/details", ['details' => ['title' => 'Bowl']]), 'dispatch-answer');
    ($this->signedIn)();
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Held)->and($this->host->videos()[0]['details']['title'])->toBe('Bowl');
});

it('keeps what several say of one upload at once, each having read it before the others wrote', function () {
    $dispatch = ($this->sent)(($this->upload)(), ($this->signedIn)());
    [$page, $other, $worker] = array_map(fn () => Dispatch::query()->find($dispatch->id), range(1, 3));
    $all = app(Dispatches::class);
    $all->describe($page, ['declarations' => ['madeForChildren' => true]]);
    $all->describe($other, ['declarations' => ['paidPromotion' => true]]);
    $all->captions($page, 'en', "1\n00:00:00,000 --> 00:00:01,000\nThe kiln is lit.\n");
    $all->captions($other, 'de', "1\n00:00:00,000 --> 00:00:01,000\nDer Ofen brennt.\n");
    $worker->note('Seen by its host.');
    $page->note('Seen by a page.', ['problem' => null]);
    $kept = $dispatch->refresh();
    expect($kept->said()->declarations)->toMatchArray(['madeForChildren' => true, 'paidPromotion' => true, 'rights' => true])
        ->and($kept->said()->title)->toBe('Kiln Diary 14: Night firing')
        ->and(array_keys($kept->captions))->toEqualCanonicalizing(['en', 'de'])
        ->and(array_slice(array_column($kept->record, 'text'), -2))->toBe(['Seen by its host.', 'Seen by a page.'])
        ->and($this->host->videos()[0]['details'])->toMatchArray(['madeForChildren' => true, 'paidPromotion' => true]);
});

it('goes on from the byte that arrived when the line is cut, and when the host is switched off', function () {
    $path = $this->folder('media').'/noise.mp4';
    file_put_contents($path, file_get_contents($this->clip('plain')).random_bytes(3_000_000));
    $account = ($this->signedIn)();
    $this->host->fault('drop', ['after' => 700_000, 'times' => 4]);
    $dispatch = app(Dispatches::class)->ofFile($path, $account, $this->details, 'unlisted');
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Waiting)->and($dispatch->problem)->toContain('line');
    $begun = $dispatch->place;
    $this->host->end();
    Work::query()->update(['not_before' => null]);
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Waiting);
    $this->host->begin();

    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Held);
    expect($dispatch->place)->toBe($begun)->and($dispatch->restarts)->toBe(0)
        ->and($dispatch->video()->sha256)->toBe(hash_file('sha256', $path))
        ->and($this->host->videos())->toHaveCount(1);
});

it('keeps files that are still to be sent, refuses cleared ones, and waits for a missing folder', function () {
    [$run, $account] = [($this->upload)(), ($this->signedIn)()];
    $asked = ['run' => $run->id, 'account' => $account->id, 'details' => $this->details];
    $clear = fn () => $this->postJson('/api/store/clear', ['runs' => [$run->id]]);
    $dispatch = Dispatch::query()->findOrFail($this->postJson('/api/dispatches', $asked)->assertStatus(202)->json('dispatch.id'));
    $clear()->assertStatus(422)->assertSee('has not been sent yet');
    expect($this->answer($this->getJson('/api/store'), 'store')['files'][0]['kept'])->toContain('stop sending it');

    rename(dirname($run->file), dirname($run->file).' away');
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Waiting)->and($dispatch->problem)->toContain('drive may not be connected');
    rename(dirname($run->file).' away', dirname($run->file));
    ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Held);

    $clear()->assertOk();
    expect($this->postJson('/api/dispatches', $asked)->assertStatus(422)->json('error.message'))->toContain('cleared away');
    $this->postJson('/api/store/empty')->assertOk();
    $this->postJson('/api/dispatches', $asked)->assertStatus(422);
    expect(Dispatch::query()->count())->toBe(1);
});

it('lets go of the line when it is stopped, and goes on from there', function () {
    $path = $this->file('noise.bin', random_bytes(900_000));
    $account = ($this->signedIn)();
    $this->host->fault('slow', ['bytes' => 300_000]);
    $dispatch = app(Dispatches::class)->ofFile($path, $account, $this->details, 'private');
    app(Worker::class)->one(['send'], onProgress: fn () => app(Dispatches::class)->stop($dispatch->refresh()));
    expect($dispatch->refresh()->stage)->toBe(Stage::Stopped)->and($dispatch->work->state)->toBe(WorkState::Stopped)
        ->and($dispatch->sent)->toBeLessThan(900_000);
    $begun = $dispatch->place;
    $this->host->mend('slow');
    $this->postJson("/api/dispatches/{$dispatch->id}/continue")->assertOk();
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Held, (string) $dispatch->problem)
        ->and($dispatch->place)->toBe($begun)->and($dispatch->video()->sha256)->toBe(hash_file('sha256', $path));
});

it('says on its page what ended a sending, also what nobody foresaw', function () {
    $queue = app(WorkQueue::class);
    $dispatch = app(Dispatches::class)->ofFile($this->clip('plain'), ($this->signedIn)(), [], 'private');
    $dispatch->update(['stage' => Stage::Sending]);
    $work = $queue->claim([app(Kinds::class)->get('send')], 'one:1');
    $queue->end($work, WorkState::Failed, 'Something broke.');
    expect($dispatch->refresh()->stage)->toBe(Stage::Failed)->and($dispatch->problem)->toBe('Something broke.');
    $this->postJson("/api/dispatches/{$dispatch->id}/continue")->assertOk();
    $this->work('send');
    expect($dispatch->refresh()->stage)->toBe(Stage::Held);
});

it('waits as long as a host asks, and says what needs the person', function (string $fault, array $value, Stage $stage, string $says) {
    $run = ($this->upload)();
    $account = ($this->signedIn)();
    $this->host->fault($fault, $value);
    $dispatch = ($this->sent)($run, $account);
    expect($dispatch->stage)->toBe($stage)->and((string) $dispatch->problem)->toContain($says);
    if ($fault === 'busy') {
        expect(strtotime((string) $dispatch->work->not_before) - time())->toBeGreaterThan(30);
    }
    $this->host->mend($fault);
    $this->postJson("/api/dispatches/{$dispatch->id}/continue")->assertOk();
    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Held);
    expect($this->host->videos())->toHaveCount(1);
})->with([
    'Retry-After' => ['busy', ['seconds' => 40], Stage::Waiting, '429'],
    'out of order' => ['broken', ['times' => 1], Stage::Waiting, '503'],
    'a full account' => ['quota', [], Stage::NeedsYou, 'left'],
    'other bytes' => ['checksum', ['times' => 1], Stage::Waiting, 'checksum'],
]);

it('says why a host does not take a video, and releases nothing then', function () {
    $this->host->fault('refuses', ['for' => 'shape']);
    $account = ($this->signedIn)();
    $this->putJson("/api/host-accounts/{$account->id}/terms")->assertOk();
    $dispatch = ($this->sent)(($this->upload)(), $account);
    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->video()?->state === 'failed');
    expect($dispatch->problem)->toContain('shape');
    $this->putJson("/api/dispatches/{$dispatch->id}/release", ['when' => 'now'])->assertStatus(422);
    expect($this->host->videos()[0]['visibility'])->toBe('private');
});

it('releases nothing of which sizes are missing or failed', function (string $fault, string $state) {
    $this->host->mend('processing-stands');
    $account = ($this->signedIn)();
    $this->putJson("/api/host-accounts/{$account->id}/terms")->assertOk();
    $this->host->fault($fault);
    $dispatch = ($this->sent)(($this->upload)(), $account);
    $this->answer($this->putJson("/api/dispatches/{$dispatch->id}/release", ['when' => 'ready']), 'dispatch-answer');
    // Waits until the host has failed; processing that stands still must do so for all rounds.
    $rounds = 0;
    $dispatch = ($this->until)($dispatch, function (Dispatch $one) use ($state, &$rounds): bool {
        return $state === 'failed' ? $one->video()->state === 'failed' : ++$rounds > 20;
    });
    expect($dispatch->stage)->toBe(Stage::Held)->and($dispatch->video()->state)->toBe($state)
        ->and($this->host->videos()[0]['visibility'])->toBe('private');
    if ($state === 'failed') {
        expect($dispatch->problem)->toContain('could not use it');

        return;
    }
    // What stood goes on.
    $this->host->mend($fault);
    ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Released);
})->with([['processing-fails', 'failed'], ['processing-stands', 'processing']]);

it('goes on after its machine has slept, beside one that took over meanwhile', function () {
    $folder = dirname($this->folder('shared'));
    TestDatabase::share($folder);
    $path = $this->file('noise.bin', random_bytes(1_500_000));
    $account = ($this->signedIn)();
    $this->host->fault('slow', ['bytes' => 400_000]);
    $dispatch = app(Dispatches::class)->ofFile($path, $account, $this->details, 'private');
    $knows = ['CRATE_HOSTS_AT' => "lanternwick={$this->host->address}", 'APP_KEY' => config('app.key')];
    $asleep = Elsewhere::artisan($folder, ['crate:work', '--groups=sending'], $knows);
    for ($i = 0; $i < 200 && $dispatch->refresh()->sent === 0; $i++) {
        usleep(50_000);
    }
    expect($dispatch->sent)->toBeGreaterThan(0, $asleep->getOutput().$asleep->getErrorOutput());
    $asleep->signal(SIGSTOP);
    // The line does not outlast its sleep, nor does what it has in hand.
    $this->host->end();
    $this->host->begin();
    $this->host->mend('slow');
    config(['crate.work.lease' => 2.0]);

    Work::query()->update(['lease_until' => Work::now(-1)]);
    // One who is there, but says nothing, is waited for half as long again.
    $worker = app(Worker::class);
    for ($i = 0; $i < 100 && $dispatch->refresh()->stage !== Stage::Held; $i++) {
        Work::query()->update(['not_before' => null]);
        $worker->one(['send']) || usleep(100_000);
    }
    expect($dispatch->stage)->toBe(Stage::Held, (string) $dispatch->problem);
    $sent = $dispatch->record;
    $asleep->signal(SIGCONT);
    // Long enough for what it had in hand, were it to go on with that.
    sleep(2);
    $asleep->stop(5);
    expect($dispatch->refresh()->record)->toBe($sent);
    expect($dispatch->refresh()->stage)->toBe(Stage::Held)->and($dispatch->restarts)->toBe(0)
        ->and($dispatch->video()->sha256)->toBe(hash_file('sha256', $path))
        ->and($this->host->videos())->toHaveCount(1);
});

it('keeps to the hours and the order that a person says', function () {
    mkdir($this->folder('drop'));
    $account = app(HostAccounts::class)->signIn('platen', 'studio', '');
    $send = fn (string $name): Dispatch => app(Dispatches::class)->ofFile($this->clip('plain', $name), $account, [], 'private');
    [$first, $second, $third] = array_map($send, ['one.mov', 'two.mov', 'three.mov']);
    $order = fn (): array => collect($this->answer($this->getJson('/api/dispatches'), 'dispatch-list')['dispatches'])
        ->sortBy('place')->pluck('id')->all();
    $this->answer($this->putJson("/api/dispatches/{$third->id}/place", ['before' => $first->id]), 'dispatch-answer');
    expect($order())->toBe([$third->id, $first->id, $second->id])
        ->and(array_column($this->answer($this->getJson('/api/strip'), 'strip')['activities'], 'name'))->toBe(['three', 'one', 'two']);

    $this->answer($this->putJson('/api/settings', ['sendHours' => '22 to 6']), 'error', 422);
    $this->answer($this->putJson('/api/settings', ['sendSpeed' => 12]), 'error', 422);
    $zone = (string) config('crate.dispatch.zone');
    $later = now($zone)->addHours(2)->format('H:i').'-'.now($zone)->addHours(3)->format('H:i');
    $this->answer($this->putJson('/api/settings', ['sendHours' => $later, 'sendSpeed' => 8_000_000]), 'settings');
    $this->work('send');
    expect($first->refresh()->stage)->toBe(Stage::Waiting)->and($first->problem)->toContain('hour');
    $this->answer($this->putJson('/api/settings', ['sendHours' => null]), 'settings');
    Work::query()->update(['not_before' => null]);
    app(Worker::class)->one(['send']);
    expect($third->refresh()->stage)->toBe(Stage::Held)->and($first->refresh()->stage)->toBe(Stage::Waiting);
    $this->putJson("/api/dispatches/{$third->id}/place", ['before' => null])->assertStatus(422)->assertSee('no longer waits');
});

it('changes thumbnail and captions of what has arrived, too', function () {
    $dispatch = ($this->sent)(($this->upload)(), ($this->signedIn)());
    $at = "/api/dispatches/{$dispatch->id}";
    $bring = fn (string $bytes) => $this->call('PUT', "{$at}/picture", [], [], [], ['CONTENT_TYPE' => 'application/octet-stream'], $bytes);
    $this->answer($bring('no picture'), 'error', 422);
    $halves = $this->folder('media').'/halves.png';
    $drawn = 'color=red:s=1000x400,drawbox=x=500:w=500:t=fill:c=blue';
    (new Process(['ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', $drawn, '-frames:v', '1', $halves]))->mustRun();
    $this->answer($bring((string) file_get_contents($halves)), 'dispatch-answer');
    $colour = function (array $asked) use ($at): array {
        $this->answer($this->putJson("{$at}/thumbnail", $asked), 'dispatch-answer');
        $read = ['ffmpeg', '-v', 'error', '-i', '-', '-vf', 'scale=1:1:flags=area', '-pix_fmt', 'rgb24', '-f', 'rawvideo', '-'];
        $process = new Process($read, input: (string) file_get_contents($this->get("{$at}/thumbnail")->baseResponse->getFile()));

        return array_values(unpack('C3', $process->mustRun()->getOutput()));
    };
    // Closer than half of it, at its edges: one colour alone. JPEG and its chroma leave a few codes of the other.
    [$red, , $blue] = $colour(['across' => 0, 'closer' => 2.5]);
    expect($red)->toBeGreaterThan(245)->and($blue)->toBeLessThan(10);
    [$red, , $blue] = $colour(['across' => 1, 'closer' => 2.5]);
    expect($blue)->toBeGreaterThan(245)->and($red)->toBeLessThan(10);
    $said = ['language' => 'en', 'text' => "WEBVTT\n\n00:00.000 --> 00:01.000\nThe kiln is lit."];
    $this->answer($this->putJson("{$at}/captions", $said), 'captions-answer');
    [$video] = $this->host->videos();
    expect($video['captions'])->toBe(['en'])->and($video['thumbnail'])->not->toBeNull();
    $this->answer($this->deleteJson("{$at}/captions/en"), 'dispatch-answer');
    expect($this->host->videos()[0]['captions'])->toBe([])->and($dispatch->refresh()->captions)->toBe([]);
    // What was brought along for it goes with it.
    $this->get("{$at}/picture")->assertOk();
    $this->answer($this->deleteJson($at), 'dispatch-answer');
    $this->answer($this->getJson("{$at}/picture"), 'error', 404);
});

it('forgets an account with which nothing is on its way, and knows it again', function () {
    $account = ($this->signedIn)();
    $dispatch = ($this->sent)(($this->upload)(), $account);
    $forgets = fn () => $this->deleteJson("/api/host-accounts/{$account->id}");
    expect($this->answer($forgets(), 'error', 422)['error']['id'])->toBe('account-in-use');
    expect($account->refresh()->isSignedIn())->toBeTrue();
    $this->deleteJson("/api/dispatches/{$dispatch->id}")->assertOk();
    $this->answer($forgets(), 'host-account-answer');
    $told = $this->answer($this->getJson('/api/dispatches'), 'dispatch-list');
    expect($told['accounts'])->toBe([])->and($told['dispatches'][0]['account']['name'])->toBe(StandInHost::NAME);
    expect($account->getRawOriginal('token'))->not->toBeNull()
        ->and(HostAccount::withTrashed()->find($account->id)->getRawOriginal('token'))->toBeNull();
    $this->answer($forgets(), 'error', 404);
    expect(($this->signedIn)()->id)->toBe($account->id)
        ->and($this->getJson('/api/dispatches')->json('accounts'))->toHaveCount(1);
});

it('has a host release it at a time, and at no other', function () {
    $this->host->mend('processing-stands');
    $account = ($this->signedIn)();
    $this->putJson("/api/host-accounts/{$account->id}/terms")->assertOk();
    $dispatch = ($this->sent)(($this->upload)(), $account);
    $passed = ['when' => 'at', 'at' => '2026-01-01T10:00', 'zone' => 'Europe/Vienna'];
    $this->putJson("/api/dispatches/{$dispatch->id}/release", $passed)->assertStatus(422)->assertSee('passed');
    $at = now('Europe/Vienna')->addHours(3)->format('Y-m-d\TH:i');
    $asked = ['when' => 'at', 'at' => $at, 'zone' => 'Europe/Vienna'];
    $this->answer($this->putJson("/api/dispatches/{$dispatch->id}/release", $asked), 'dispatch-answer');
    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->video()->isWhole());
    expect($dispatch->stage)->toBe(Stage::Held)->and($dispatch->video()->visibility)->toBe('private');
    // Hours before its time it is not asked for every other second.
    $next = Work::query()->firstWhere(['kind' => 'follow', 'subject' => $dispatch->id])->not_before;
    expect($next > Work::now(15))->toBeTrue();
    $this->host->fault('clock', ['seconds' => 3 * 3600 + 60]);
    // The token has expired by that clock; the host does it all the same, and says so when it is asked again.
    ($this->signedIn)();
    $dispatch = ($this->until)($dispatch, fn (Dispatch $one): bool => $one->stage === Stage::Released);
    expect($this->host->videos()[0]['visibility'])->toBe('public');
});

it('sends by itself what was to be sent when it is made, and puts files into a folder with what is said of them', function () {
    mkdir($this->folder('drop'));
    $account = app(HostAccounts::class)->signIn('platen', 'studio', '');
    $cut = $this->bringIn('plain')['id'];
    $this->putJson("/api/cuts/{$cut}/sheet", [
        'outputs' => [['key' => 'a', 'preset' => 'review-720', 'host' => null, 'edits' => (object) []]],
    ])->assertOk();
    $this->post("/api/cuts/{$cut}/pack")->assertStatus(202);
    $run = Run::query()->firstOrFail();
    $check = ['run' => $run->id, 'account' => $account->id];
    $remarks = $this->answer($this->postJson('/api/dispatches/check', $check), 'dispatch-check-answer')['remarks'];
    expect(array_column($remarks, 'about'))->toBe(['file', 'time']);
    $dispatch = ($this->sent)($run, $account);
    expect($dispatch->stage)->toBe(Stage::Waiting);
    // Captions are chosen while it is made; those that no host could show are told of, and not kept.
    $captions = fn (string $from, string $to): array => $this->answer($this->putJson("/api/dispatches/{$dispatch->id}/captions", [
        'language' => 'en', 'text' => "WEBVTT\n\n{$from} --> {$to}\nThe kiln is lit.",
    ]), 'captions-answer');
    expect($captions('00:01.000', '00:00.500')['remarks'][0]['severity'])->toBe('stop')->and($dispatch->refresh()->captions)->toBe([])
        ->and($captions('00:00.000', '00:01.000'))->toMatchArray(['remarks' => []]);
    $this->work();
    $this->work('send');
    $dispatch->refresh();
    expect($dispatch->stage)->toBe(Stage::Held, (string) $dispatch->problem);
    $said = json_decode((string) file_get_contents("{$dispatch->place}/details.json"));
    expect(app(App\Schema\Contract::class)->faults($said, 'drop-details'))->toBe([])
        ->and(hash_file('sha256', "{$dispatch->place}/{$said->file}"))->toBe($run->refresh()->slip['sha256'])
        ->and(file_get_contents("{$dispatch->place}/captions.en.vtt"))->toContain('The kiln is lit.')
        ->and(glob("{$dispatch->place}/ascmhl/*.mhl"))->toHaveCount(1);
});

it('takes the place of an earlier one when it is released, and not before', function () {
    $this->host->mend('processing-stands');
    $account = ($this->signedIn)();
    $this->putJson("/api/host-accounts/{$account->id}/terms")->assertOk();
    $run = ($this->upload)();
    $older = ($this->sent)($run, $account);
    $check = ['run' => $run->id, 'account' => $account->id];
    $found = $this->answer($this->postJson('/api/dispatches/check', $check), 'dispatch-check-answer')['inPlaceOf'];
    expect($found)->toBe(['id' => $older->id, 'title' => 'Kiln Diary 14: Night firing']);
    // On a busy machine, the first try may have timed out.
    $newer = ($this->until)(
        ($this->sent)($run, $account, ['inPlaceOf' => $older->id]), fn (Dispatch $one): bool => $one->stage->hasArrived(),
    );
    expect($newer->said()->title)->toBe('Kiln Diary 14: Night firing')->and($this->host->videos())->toHaveCount(2);
    $newer = ($this->until)($newer, fn (Dispatch $one): bool => $one->video()?->isWhole() ?? false);
    $this->answer($this->putJson("/api/dispatches/{$newer->id}/release", ['when' => 'now']), 'dispatch-answer');
    expect($newer->refresh()->stage)->toBe(Stage::Released)->and($older->refresh()->stage)->toBe(Stage::Removed)
        ->and(array_column($this->host->videos(), 'id'))->toBe([$newer->remote_id]);
});

it('says of what it sent how long that took, which teaches the speed of the line', function () {
    $account = ($this->signedIn)();
    $outputs = [['preset' => 'lanternwick-even', 'host' => 'lanternwick']];
    $run = Run::query()->findOrFail(packed($this->bringIn('plain')['id'], $outputs)[0]['id']);
    // Two seconds of line, of which it may save up a quarter of one.
    $rate = intdiv($run->slip['bytes'], 2);
    $this->host->fault('slow', ['bytes' => $rate]);
    ($this->sent)($run, $account);
    expect($run->refresh()->sent_seconds)->toBeBetween(1, 4)->and($run->sent_at)->not->toBeNull();
});

it('takes no more of the line than a person says', function () {
    $account = ($this->signedIn)();
    $this->answer($this->putJson('/api/settings', ['sendSpeed' => 1_600_000]), 'settings');
    $dispatch = app(Dispatches::class)->ofFile($this->file('noise.bin', random_bytes(500_000)), $account, $this->details, 'private');
    $this->work('send');
    // 500 kB at 200 kB a second; the transfer may run ahead by a second of it.
    expect($dispatch->refresh()->stage)->toBe(Stage::Held, (string) $dispatch->problem)
        ->and($dispatch->seconds)->toBeGreaterThan(1.5);
});

it('fills what is said of a video from its series, and leaves to the person what only they can answer', function () {
    mkdir($this->folder('drop'));
    $account = app(HostAccounts::class)->signIn('platen', 'studio', '');
    $said = ['title' => 'Kiln Diary {number}: {cut}', 'tags' => ['glaze']] + $this->details;
    $dispatch = app(Dispatches::class)->ofFile($this->clip('plain', 'bowl.mov'), $account, $said, 'private');
    $this->postJson("/api/dispatches/{$dispatch->id}/templates", ['name' => 'Kiln Diary'])->assertOk();
    $template = $this->answer($this->getJson('/api/dispatches'), 'dispatch-list')['templates'][0];
    foreach (['Kiln Diary 1: bowl', 'Kiln Diary 2: bowl'] as $title) {
        $next = app(Dispatches::class)->ofFile($this->folder('media').'/bowl.mov', $account, [], 'private');
        $filled = $this->answer($this->postJson("/api/dispatches/{$next->id}/fill/{$template['id']}"), 'dispatch-answer')['dispatch'];
        expect($filled['details'])->toMatchArray(['title' => $title, 'tags' => ['glaze'], 'declarations' => []]);
    }
    $this->putJson("/api/dispatches/{$dispatch->id}/details", ['details' => ['title' => '{series}']])->assertOk();
    $this->postJson("/api/dispatches/{$dispatch->id}/templates", ['name' => 'x'])->assertStatus(422)->assertSee('no field');
});

it('does the same by command', function () {
    $surroundings = ['CRATE_HOSTS_AT' => "lanternwick={$this->host->address}", 'CRATE_HOST_PASSWORD' => StandInHost::PASSWORD];
    foreach ($surroundings as $name => $value) {
        putenv("{$name}={$value}");
        $_SERVER[$name] = $value;
    }
    try {
        $path = $this->clip('plain', '-odd näme.mov');
        $details = $this->file('details.json', json_encode($this->details));
        expect($this->crate('send', $path, '--host=lanternwick')->getExitCode())->not->toBe(0);
        expect($this->crate('accounts', 'sign-in', 'lanternwick', StandInHost::NAME)->getOutput())->toContain('signed in');
        $this->crate('accounts', 'accept-terms', 'lanternwick', StandInHost::NAME);
        $sent = $this->crate('send', $path, '--host=lanternwick', "--details={$details}", '--hold', '--json');
        $dispatch = json_decode($sent->getOutput(), true)['dispatch'] ?? null;
        expect($dispatch['stage'] ?? $sent->getOutput().$sent->getErrorOutput())->toBe('held')
            ->and($dispatch['video']['sha256'])->toBe(hash_file('sha256', $path));
        expect($this->crate('release', (string) $dispatch['id'], '--when=ready', '--json')->getExitCode())->toBe(0)
            ->and($this->crate('sent', 'list', '--json')->getOutput())->toContain('"release": "ready"');
    } finally {
        foreach (array_keys($surroundings) as $name) {
            putenv($name);
            unset($_SERVER[$name]);
        }
    }
});

it('sends every byte once over a line that is cut again and again', function () {
    $found = CutLines::sent($this->host, $this->folder('media'), 8, 25, 14);
    expect($found['cut'])->toBe(25)
        ->and(array_diff_key($found, ['cut' => 0]))->toBe(['files' => 8, 'arrived' => 8, 'wrong' => 0, 'restarts' => 0, 'twice' => 0]);
});
