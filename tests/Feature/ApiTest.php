<?php

use App\Models\Cut;
use App\Models\Run;
use App\Models\Setting;
use Symfony\Component\Process\Process;

it('brings in what lies in the media folders, once, and shows it on the shelf', function () {
    $cut = $this->bringIn('ten-bit', 'kiln-night-firing.mov');
    expect($cut['values']['video'])
        ->toBe('ProRes 422 HQ')
        ->and($cut)
        ->toMatchArray(['name' => 'Kiln night firing', 'first' => '00:00:00:00', 'last' => '00:00:01:24'])
        ->and($cut['values']['audio'])
        ->toBe("PCM 24 · 48\u{2009}kHz");
    $this->postJson('/api/cuts', ['path' => $cut['path']])->assertStatus(201);
    expect($this->answer($this->getJson('/api/cuts'), 'cut-list')['cuts'])
        ->toHaveCount(1)
        ->and($this->get($cut['poster'])->assertOk()->headers->get('content-type'))
        ->toBe('image/jpeg');
});

it('lists files that can be brought in, newest first, and shows the others for what they are', function () {
    touch($this->file('kiln-diary.project', 'text'), 1000);
    touch($this->clip('plain', 'older.mp4'), 2000);
    touch($this->clip('plain', 'newer.mp4'), 3000);
    $this->file('.hidden.mp4', 'x');
    $files = $this->answer($this->getJson('/api/media'), 'media-list')['files'];
    expect(array_column($files, 'name'))
        ->toBe(['newer.mp4', 'older.mp4', 'kiln-diary.project'])
        ->and(array_column($files, 'kind'))
        ->toBe(['video', 'video', 'project']);
});

it('refuses files from elsewhere, and what is no cut, with a message and no trace', function (Closure $path, string $says) {
    $answer = $this->answer($this->postJson('/api/cuts', ['path' => $path->call($this)]), 'error', 422);
    expect($answer['error']['message'])
        ->toContain($says)
        ->and(Cut::query()->count())
        ->toBe(0);
})->with([
    'outside' => [fn () => base_path('composer.json'), 'outside the media folders'],
    'a way out' => [fn () => $this->folder('media').'/../../../../etc/passwd', 'outside the media folders'],
    'a link out' => [
        function () {
            symlink('/etc/passwd', $this->folder('media').'/link.mp4');

            return $this->folder('media').'/link.mp4';
        },
        'outside the media folders',
    ],
    'gone' => [fn () => $this->folder('media').'/gone.mp4', 'no such file'],
    'a folder' => [
        function () {
            mkdir($this->folder('media').'/folder.mp4');

            return $this->folder('media').'/folder.mp4';
        },
        'folder',
    ],
    'a project' => [fn () => $this->file('diary.mp4', 'text'), 'not a video file'],
    'a list' => [fn () => $this->file('list.mp4', "#EXTM3U\nfile:///etc/passwd"), 'points to other files'],
]);

it('opens a sheet with one master and one upload, saves changes, and plans them', function () {
    $id = $this->bringIn('hd-high-rate')['id'];
    $sheet = $this->answer($this->getJson("/api/cuts/{$id}/sheet"), 'sheet');
    expect(array_map(fn (array $output): array => [$output['plan']['role'], $output['plan']['hostName']], $sheet['outputs']))->toBe([
        ['master', null],
        ['upload', 'Lanternwick'],
    ]);
    $outputs = array_map(
        fn (array $output): array => [
            'key' => $output['key'],
            'preset' => $output['plan']['preset'],
            'host' => $output['plan']['host'],
            'edits' => (object) [],
        ],
        $sheet['outputs'],
    );
    $outputs[1]['edits'] = ['bitrate' => ['average' => ['kbps' => 20_000]]];
    $outputs[] = ['key' => 'third', 'preset' => 'platen-1080', 'host' => 'platen', 'edits' => ['frameSize' => null]];
    $saved = $this->answer($this->putJson("/api/cuts/{$id}/sheet", ['outputs' => $outputs]), 'sheet');
    expect($saved['outputs'][1]['plan']['estimate']['bytes'])
        ->toBeGreaterThan($sheet['outputs'][1]['plan']['estimate']['bytes'])
        ->and($saved['outputs'][1]['plan']['origins']['bitrate']['from'])
        ->toBe('you')
        ->and($saved['recap'])
        ->toContain('Platen')
        ->and($this->getJson("/api/cuts/{$id}/sheet")->json('outputs'))
        ->toBe($saved['outputs']);
});

it('merges two saves that began from one sheet, tells what both changed, and loses nothing', function () {
    $id = $this->bringIn()['id'];
    $version = $this->getJson("/api/cuts/{$id}/sheet")->json('version');
    $output = fn (string $key, array $edits): array => [
        'key' => $key, 'preset' => 'review-720', 'host' => null, 'edits' => (object) $edits,
    ];
    $save = fn (array $outputs): array => $this->answer(
        $this->putJson("/api/cuts/{$id}/sheet", ['outputs' => $outputs, 'version' => $version]),
        'sheet',
    );
    $quality = fn (int $quality): array => ['bitrate' => ['mode' => 'quality', 'quality' => $quality]];
    $first = $save([$output('1', $quality(20)), $output('2', []), $output('theirs', [])]);
    $second = $save([$output('1', $quality(28) + ['audio' => 'none']), $output('2', ['frameRate' => ['exact' => '50']])]);
    expect([$first['version'], $second['version'], $first['told']])
        ->toBe([$version + 1, $version + 2, []])
        ->and(array_column($second['outputs'], 'key'))
        ->toBe(['1', '2', 'theirs'])
        ->and($second['outputs'][0]['plan']['edits'])
        ->toEqual(['bitrate' => ['mode' => 'quality', 'quality' => 28], 'audio' => 'none'])
        ->and($second['told'])
        ->toHaveCount(1)
        ->and($second['told'][0])
        ->toStartWith('Bitrate of output 1 was changed in another window, too.')
        ->and($this->getJson("/api/cuts/{$id}/sheet")->json('outputs'))
        ->toBe($second['outputs']);
});

it('refuses an address that is not well-formed', function (string $address, string $name) {
    $error = $this->answer($this->getJson("/api/{$address}"), 'error', 400)['error'];
    expect($error['id'])->toBe('malformed')->and($error['message'])->toContain($name);
})->with([
    'an array instead of a text' => ['runs?since[]=1', 'since'],
    'not a time' => ['runs?since=1', 'since'],
    'a date that does not exist' => ['runs?since=2026-02-30%2000:00:00.000', 'since'],
    'a number beyond 64 bits' => ['runs?first=99999999999999999999', 'first'],
    'invalid UTF-8' => ['media?search=%FF', 'search'],
]);

it('says where a malformed request is at fault, and saves nothing of it', function (mixed $outputs, string $path) {
    $id = $this->bringIn()['id'];
    $before = Cut::query()->find($id)->outputs;
    $error = $this->answer($this->putJson("/api/cuts/{$id}/sheet", ['outputs' => $outputs]), 'error', 422)['error'];
    expect(array_column($error['faults'], 'path'))
        ->toContain($path)
        ->and(Cut::query()->find($id)->outputs)
        ->toBe($before);
})->with([
    'no list' => ['all of them', '/outputs'],
    'no preset' => [[['key' => '1', 'host' => null, 'edits' => (object) []]], '/outputs/0'],
    'an average that is a word' => [
        [['key' => '1', 'preset' => 'review-720', 'host' => null, 'edits' => ['bitrate' => ['average' => ['kbps' => 'much']]]]],
        '/outputs/0/edits/bitrate/average/kbps',
    ],
    'a cell that is none' => [
        [['key' => '1', 'preset' => 'review-720', 'host' => null, 'edits' => ['smell' => 'clay']]],
        '/outputs/0/edits',
    ],
]);

it('names the presets there are when one is not there', function () {
    $id = $this->bringIn()['id'];
    expect(
        $this->answer($this->postJson('/api/plan', ['cut' => $id, 'outputs' => [['preset' => 'nobody']]]), 'error', 422)['error'][
            'message'
        ],
    )->toContain('archive-10-bit');
});

it('keeps an output whose preset or host has gone, says so, and offers another', function (string $preset, ?string $host, string $says) {
    $id = $this->bringIn()['id'];
    Cut::query()->whereKey($id)->update(['outputs' => json_encode([
        ['key' => '1', 'preset' => $preset, 'host' => $host, 'edits' => ['audio' => 'none'], 'range' => null],
        ['key' => '2', 'preset' => 'review-720', 'host' => null, 'edits' => [], 'range' => null],
    ])]);
    $sheet = $this->answer($this->getJson("/api/cuts/{$id}/sheet"), 'sheet');
    $finding = $sheet['outputs'][0]['plan']['findings'][0];
    expect([$finding['id'], $finding['severity']])
        ->toBe(['preset-gone', 'stop'])
        ->and($finding['text'])
        ->toContain($says)
        ->and($sheet['outputs'][0]['plan']['preset'])
        ->toBe($preset)
        // preset-gone stops the pack of the sheet, too.
        ->and($finding['remedy']['preset'])
        ->toBe('archive-10-bit')
        ->and(array_column($sheet['outputs'][1]['plan']['findings'], 'id'))
        ->not->toContain('preset-gone')
        ->and($this->post("/api/cuts/{$id}/pack")->json('error.message'))
        ->toContain($says);
})->with([['of-last-year', null, 'There is no preset “of-last-year”'], ['review-720', 'gone-host', 'There is no host “gone-host”']]);

it('plans without saving', function () {
    $id = $this->bringIn()['id'];
    $answer = $this->answer(
        $this->postJson('/api/plan', [
            'cut' => $id,
            'outputs' => [['preset' => 'review-720'], ['preset' => 'slow-line', 'host' => 'platen', 'edits' => (object) []]],
        ]),
        'plan-list',
    );
    expect($answer['outputs'])
        ->toHaveCount(2)
        ->and($this->getJson("/api/cuts/{$id}/sheet")->json('outputs'))
        ->toHaveCount(2);
});

it('takes a cut off the shelf and leaves its file', function () {
    $cut = $this->bringIn();
    $this->post("/api/cuts/{$cut['id']}/pack")->assertStatus(202);
    expect(
        $this->deleteJson("/api/cuts/{$cut['id']}")
            ->assertStatus(422)
            ->json('error.message'),
    )->toContain('under way');
    $this->work();
    $this->deleteJson("/api/cuts/{$cut['id']}")->assertNoContent();
    expect(is_file($cut['path']))
        ->toBeTrue()
        ->and($this->answer($this->getJson('/api/queue'), 'queue')['runs'])
        ->toHaveCount(2);
});

it('answers each question in its format', function (string $address, string $schema) {
    $this->answer($this->getJson("/api/{$address}"), $schema);
})->with([
    ['machine', 'machine'],
    ['presets', 'preset-list'],
    ['hosts', 'host-list'],
    ['choices', 'choices'],
    ['strip', 'strip'],
    ['queue', 'queue'],
]);

it('reckons sending with the speed of your line', function () {
    expect($this->answer($this->putJson('/api/machine', ['lineSpeed' => 20_000_000]), 'machine')['lineSpeedLabel'])
        ->toBe("20\u{2009}Mb/s")
        ->and(Setting::lineSpeed()->bitsPerSecond)
        ->toBe(20_000_000);
    $this->answer($this->putJson('/api/machine', ['lineSpeed' => 0]), 'error', 422);
});

it('learns the speed of your line from what you sent', function () {
    $cut = $this->bringIn();
    $this->putJson('/api/machine', ['lineSpeed' => 20_000_000]);
    $this->post("/api/cuts/{$cut['id']}/pack")->assertStatus(202);
    $this->work();
    [$master, $upload] = Run::query()->orderBy('id')->get();
    expect($this->answer($this->putJson("/api/runs/{$master->id}/sent", ['took' => '1:00']), 'error', 422)['error']['message'])
        ->toContain('for a host')
        ->and($this->answer($this->putJson("/api/runs/{$upload->id}/sent", ['took' => 'a while']), 'error', 422)['error']['message'])
        ->toContain('42:10')
        ->and($this->answer($this->putJson("/api/runs/{$upload->id}/sent", ['took' => '0:00']), 'error', 422)['error']['message'])
        ->toContain('no time')
        ->and($this->answer($this->putJson("/api/runs/{$upload->id}/sent", ['took' => '1:00']), 'packed-run')['sent']['label'])
        ->toBe('1:00');
    $learnt = (int) round(($upload->slip['bytes'] * 8 * 1.04) / 60);
    expect($this->answer($this->getJson('/api/machine'), 'machine'))->toMatchArray(['lineSpeed' => $learnt, 'lineSpeedLearntFrom' => 1]);
    $estimate = $this->getJson("/api/cuts/{$cut['id']}/sheet")->json('outputs.1.plan.estimate');
    expect($estimate['sendSeconds'])->toEqualWithDelta(($estimate['bytes'] * 8 * 1.04) / $learnt, 0.1);
    // What is said anew holds until the next file is sent.
    $this->answer($this->putJson('/api/machine', ['lineSpeed' => 20_000_000]), 'machine');
    expect($this->getJson('/api/machine')->json())
        ->toMatchArray(['lineSpeed' => 20_000_000, 'lineSpeedLearntFrom' => 0])
        ->and($this->answer($this->putJson("/api/runs/{$upload->id}/sent", ['took' => null]), 'packed-run')['sent'])
        ->toBeNull();
});

it('lets no other page change anything', function (array $headers, int $status) {
    $this->putJson('/api/machine', ['lineSpeed' => 1_000_000], $headers)->assertStatus($status);
})->with([
    'our own page' => [['Origin' => 'http://127.0.0.1:8410'], 200],
    'a program' => [[], 200],
    'another page' => [['Origin' => 'http://elsewhere.example'], 403],
    'a form' => [['Content-Type' => 'text/plain'], 415],
    'what only looks like JSON' => [['Content-Type' => 'text/x+json'], 415],
    'JSON with its letters' => [['Content-Type' => 'application/json; charset=utf-8'], 200],
]);

it('lets a browser do nothing but show it', function (string $address) {
    $response = $this->get($address);
    expect($response->headers->get('Content-Security-Policy'))
        ->toContain("script-src 'self';", "frame-ancestors 'none'", "object-src 'none'")
        ->and($response->headers->get('X-Content-Type-Options'))
        ->toBe('nosniff')
        ->and($response->headers->get('Cross-Origin-Resource-Policy'))
        ->toBe('same-origin');
})->with(['/', '/api/machine', '/api/nothing-here']);

it('answers by its own address only', function () {
    $this->getJson('http://elsewhere.example/api/machine')->assertStatus(403);
});

it('offers only choices that plan without a stop of their own', function () {
    $id = $this->bringIn('hd-high-rate')['id'];
    foreach ($this->getJson('/api/choices')->json('cells') as ['name' => $cell, 'choices' => $choices]) {
        $outputs = array_map(
            fn (array $choice): array => ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => [$cell => $choice['rule']]],
            $choices,
        );
        foreach (
            $this->answer($this->postJson('/api/plan', ['cut' => $id, 'outputs' => $outputs]), 'plan-list')['outputs'] as $i => $plan
        ) {
            expect(array_column($plan['findings'], 'id'))->not->toContain('impossible-value', $choices[$i]['label']);
        }
    }
});

it('has its TypeScript types current', function () {
    expect((new Process(['node', base_path('resources/schema/generate-types.mjs'), '--check']))->run())->toBe(0);
});

it('serves every page from one view and answers unknown addresses of the API as such', function () {
    $this->withoutVite();
    $this->get('/cuts/12')->assertOk()->assertSee('Outer Crate');
    $this->answer($this->getJson('/api/nowhere'), 'error', 404);
    $this->answer($this->getJson('/api/cuts/999/sheet'), 'error', 404);
});
