<?php

use App\Library\Collection;
use App\Library\Export;
use App\Library\Hosts;
use App\Library\ItemFile;
use App\Library\Kind;
use App\Library\Presets;
use App\Models\Cut;
use App\Models\LibraryItem;
use App\Models\LibraryVersion;
use App\Models\Run;

/** A preset of one's own in few words. */
function presetFile(string $name, array $rules = [], array $more = []): ItemFile
{
    $content = $more + ['format' => 'outer-crate/preset', 'version' => 1, 'name' => $name, 'role' => 'upload', 'rules' => (object) $rules];

    return ItemFile::kept(Kind::Preset, json_encode($content));
}

/** The sheet of a cut, changed. */
function changed(array $sheet, Closure $change): array
{
    return ['outputs' => array_map(fn (array $output): array => $change([
        'key' => $output['key'],
        'preset' => $output['plan']['preset'],
        'version' => $output['plan']['presetVersion'],
        'host' => $output['plan']['host'],
        'edits' => (object) $output['plan']['edits'],
    ]), $sheet['outputs'])];
}

beforeEach(function (): void {
    $this->sheet = fn (array $cut): array => $this->answer($this->getJson("/api/cuts/{$cut['id']}/sheet"), 'sheet');
    $this->save = fn (array $cut, Closure $change): array => $this->answer(
        $this->putJson("/api/cuts/{$cut['id']}/sheet", changed(($this->sheet)($cut), $change)),
        'sheet',
    );
});

it('makes a preset of a column: its rules, or what this cut came to', function () {
    $cut = $this->bringIn();
    ($this->save)($cut, fn (array $output): array => $output['key'] === '2'
        ? ['edits' => ['frameSize' => ['fit' => '1920×1080'], 'bitrate' => ['average' => ['timesAsk' => 2]]]] + $output
        : $output);
    $preview = $this->answer($this->getJson("/api/cuts/{$cut['id']}/outputs/2/preset"), 'saving-preview');
    $rows = array_column($preview['rows'], null, 'cell');
    expect($preview)->toMatchArray(['preset' => 'lanternwick-generous', 'host' => 'lanternwick', 'version' => null])
        ->and($rows['frameSize'])
        ->toMatchArray(['was' => 'Follow, as displayed', 'rule' => 'Inside 1920×1080', 'changed' => true, 'fixed' => 'frame 320×180'])
        ->and($rows['bitrate']['rule'])
        ->toBe('VBR, 2 passes, host’s ask × 2, peak 1.5 × the average')
        ->and($rows['bitrate']['fixed'])
        ->toBe("VBR, 2 passes, 264\u{2009}kb/s, peak 396\u{2009}kb/s")
        ->and($rows['audio']['changed'])
        ->toBeFalse();

    $made = $this->answer($this->postJson('/api/library/preset', [
        'name' => 'Kiln pieces',
        'note' => 'First try',
        'tags' => ['small'],
        'from' => ['cut' => $cut['id'], 'output' => '2', 'fixed' => ['frameSize']],
    ]), 'library-item', 201);
    expect($made)->toMatchArray(['slug' => 'kiln-pieces', 'version' => 1, 'shipped' => false, 'fault' => null])
        ->and($made['file']['rules']['frameSize'])
        ->toBe(['exact' => '320×180'])
        ->and($made['file']['rules']['bitrate']['average'])
        ->toBe(['timesAsk' => 2])
        ->and($made['file']['host'])
        ->toBe('lanternwick')
        ->and($made['versions'][0]['note'])
        ->toBe('First try');

    // It can be taken at once, and the list finds it by what its host asks.
    $list = $this->answer($this->getJson('/api/presets'), 'preset-list')['presets'];
    $card = array_column($list, null, 'slug')['kiln-pieces'];
    expect($card['words'])->toContain('h.264 high', 'lanternwick', '320×180');
});

it('keeps every version, compares two, and goes back', function () {
    $presets = app(Presets::class);
    $presets->create(presetFile('Kiln pieces', ['frameRate' => 'follow']), 'One');
    $url = '/api/library/preset/kiln-pieces';
    $second = ['name' => 'Kiln pieces, short', 'tags' => ['short'], 'note' => 'Two', 'began' => 1];
    $this->answer($this->putJson($url, $second), 'library-item');
    $rows = $this->answer($this->getJson("{$url}/compare/1/2"), 'comparison')['rows'];
    expect($rows)->toBe([
        ['label' => 'Called', 'from' => 'Kiln pieces', 'to' => 'Kiln pieces, short'],
        ['label' => 'Tags', 'from' => '–', 'to' => 'short'],
    ]);
    $back = $this->answer($this->postJson("{$url}/versions/1"), 'library-item');
    expect($back)->toMatchArray(['name' => 'Kiln pieces', 'version' => 3])
        ->and(array_column($back['versions'], 'note'))
        ->toBe(['Back to version 1', 'Two', 'One']);
    // Saved as it stands: nothing new.
    expect($this->putJson($url, ['note' => 'Again'])->json('version'))->toBe(3);
    $this->answer($this->postJson("{$url}/versions/9"), 'error', 404);
});

it('lets nobody save over what another saved meanwhile', function () {
    app(Presets::class)->create(presetFile('Kiln pieces'));
    $url = '/api/library/preset/kiln-pieces';
    $this->putJson($url, ['about' => 'Theirs', 'began' => 1])->assertOk();
    $error = $this->answer($this->putJson($url, ['about' => 'Mine', 'began' => 1]), 'error', 409)['error'];
    expect($error['id'])->toBe('saved-meanwhile')
        ->and($error['message'])
        ->toContain('version 1', 'version 2', 'Nothing was changed')
        ->and(app(Presets::class)->entry('kiln-pieces')->file->content->about)
        ->toBe('Theirs');
});

it('takes a preset away and back, and leaves those that ship alone', function () {
    app(Presets::class)->create(presetFile('Kiln pieces'));
    $url = '/api/library/preset/kiln-pieces';
    $this->deleteJson($url)->assertNoContent();
    $list = $this->answer($this->getJson('/api/presets'), 'preset-list');
    expect($list['removed'][0])->toMatchArray(['slug' => 'kiln-pieces', 'name' => 'Kiln pieces'])
        ->and(array_column($list['presets'], 'slug'))
        ->not->toContain('kiln-pieces');
    $this->answer($this->getJson($url), 'error', 422);
    $this->answer($this->postJson("{$url}/restore"), 'library-item');
    expect(app(Presets::class)->need('kiln-pieces')->name)->toBe('Kiln pieces');

    foreach ([['DELETE', []], ['PUT', ['name' => 'Mine']]] as [$method, $body]) {
        $error = $this->answer($this->json($method, '/api/library/preset/review-720', $body), 'error', 409)['error'];
        expect($error['id'])->toBe('read-only');
    }
    $asked = ['copyOf' => 'review-720', 'name' => 'Review of mine'];
    $copy = $this->answer($this->postJson('/api/library/preset', $asked), 'library-item', 201);
    expect($copy['file']['rules'])->toBe($this->getJson('/api/library/preset/review-720')->json('file.rules'));
});

it('refuses what cannot be kept in a sentence, and changes nothing', function (array $body, string $says) {
    app(Presets::class)->create(presetFile('Kiln pieces'));
    $error = $this->answer($this->postJson('/api/library/preset', $body + ['role' => 'upload']), 'error', $says === 'already' ? 409 : 422);
    expect($error['error']['message'])->toContain($says)->and(LibraryItem::query()->count())->toBe(1);
})->with([
    'a name there is' => [['name' => 'KILN pieces'], 'already'],
    'a shipped name' => [['name' => 'Lossless vault'], 'already'],
    'no name' => [['name' => '  '], 'name'],
    'a long name' => [['name' => str_repeat('x', 600)], 'A name has at most 120 characters; this has 600'],
    'a long note' => [['name' => 'Long', 'about' => str_repeat('x', 10_001)], 'at most 10,000 characters; this has 10,001'],
    'too many tags' => [['name' => 'Tags', 'tags' => array_fill(0, 21, 'a')], 'at most 20'],
    'a device that is not there' => [['name' => 'Device', 'copyOf' => 'gone'], 'There is no preset “gone”'],
]);

it('keeps a name with markup as it was typed', function () {
    $name = '<b onclick="x">Kiln</b> & “sons”';
    $item = $this->answer($this->postJson('/api/library/preset', ['name' => $name, 'role' => 'master']), 'library-item', 201);
    expect($item['name'])->toBe($name)->and($item['slug'])->toMatch('~^[a-z0-9-]+$~');
});

it('keeps a column as it was begun, says that a newer version is there, and takes it when told', function () {
    $cut = $this->bringIn();
    $presets = app(Presets::class);
    $presets->create(presetFile('Kiln pieces', ['container' => ['set' => 'mp4'], 'frameSize' => ['exact' => '640×360']]));
    $sheet = ($this->save)($cut, fn (array $output): array => ['preset' => 'kiln-pieces', 'version' => null] + $output);
    $presets->save('kiln-pieces', presetFile('Kiln pieces', ['container' => ['set' => 'mp4'], 'frameSize' => ['exact' => '160×90']]));

    $of = fn (array $sheet): array => [
        $sheet['outputs'][0]['plan']['values']['frameSize']['label'],
        $sheet['outputs'][0]['plan']['presetVersion'],
        collect($sheet['outputs'][0]['plan']['findings'])->firstWhere('id', 'preset-newer')['remedy']['preset'] ?? null,
    ];
    expect($of($sheet))->toBe(['640×360', 1, null])
        ->and($of(($this->sheet)($cut)))->toBe(['640×360', 1, 'kiln-pieces']);
    // Another change of the column does not take it in.
    $edited = ($this->save)($cut, fn (array $output): array => ['edits' => ['audio' => 'none']] + $output);
    expect($of($edited))->toBe(['640×360', 1, 'kiln-pieces']);
    $taken = ($this->save)($cut, fn (array $output): array => ['version' => null] + $output);
    expect($of($taken))->toBe(['160×90', 2, null]);
    // One step back names the version that it was.
    $undone = ($this->save)($cut, fn (array $output): array => ['version' => 1] + $output);
    expect($of($undone))->toBe(['640×360', 1, 'kiln-pieces']);

    // Taken away, broken, gone from the database: the column stays what it is.
    $presets->remove('kiln-pieces');
    $away = ($this->sheet)($cut);
    expect($of($away)[0])->toBe('640×360')
        ->and(array_column($away['outputs'][0]['plan']['findings'], 'id'))->toContain('preset-away')
        ->and($away['stopped'])->toBeFalse();
});

it('names the version in what is made', function () {
    $cut = $this->bringIn();
    app(Presets::class)->create(presetFile('Kiln pieces', ['container' => ['set' => 'mp4']]));
    app(Presets::class)->save('kiln-pieces', presetFile('Kiln pieces', ['container' => ['set' => 'mov']]));
    $run = $this->queued(Cut::query()->find($cut['id']), [['preset' => 'kiln-pieces']])[0];
    app(Presets::class)->save('kiln-pieces', presetFile('Kiln pieces', ['container' => ['set' => 'matroska']]));
    $plan = Run::query()->find($run->id)->plan;
    expect($plan['presetVersion'])->toBe(2)
        ->and($plan['values']['container']['label'])->toBe('MOV')
        ->and($this->getJson('/api/queue')->json('runs.0.preset'))->toBe('Kiln pieces, version 2')
        ->and($this->getJson("/api/cuts/{$cut['id']}/runs")->json('runs.*.id'))->toBe([$run->id])
        ->and($this->getJson("/api/cuts/{$this->bringIn('few')['id']}/runs")->json('runs'))->toBe([]);
});

it('plans open sheets anew when a host changes, marks what that changed, and leaves waiting runs alone', function () {
    $cut = $this->bringIn();
    $hosts = app(Hosts::class);
    $asked = ['copyOf' => 'lanternwick', 'name' => 'Lantern of mine'];
    $copy = $this->answer($this->postJson('/api/library/host', $asked), 'library-item', 201);
    ($this->save)($cut, fn (array $output): array => $output['host'] === null ? $output : ['host' => $copy['slug']] + $output);
    $run = $this->queued(Cut::query()->find($cut['id']), Cut::query()->find($cut['id'])->outputs)[1];
    $before = ($this->sheet)($cut)['outputs'][1]['plan']['values']['bitrate']['average'];

    $file = $copy['file'];
    foreach ($file['asks']['bitrates'] as &$row) {
        $row['kbps'] *= 2;
    }
    $saved = $this->answer($this->putJson("/api/library/host/{$copy['slug']}", ['file' => $file, 'began' => 1]), 'library-item');
    $sheet = ($this->sheet)($cut);
    $plan = $sheet['outputs'][1]['plan'];
    $finding = collect($plan['findings'])->firstWhere('id', 'host-changed');
    expect($saved['sheets'])->toBe([['cut' => $cut['id'], 'name' => $cut['name'], 'outputs' => 1]])
        ->and($plan['values']['bitrate']['average'])
        // 1.8 times 132 and 264 kb/s, each to the nearest kb/s.
        ->toBe(475_000)
        ->and($finding['text'])
        ->toContain('version 2', 'Bitrate VBR')
        ->and($finding['remedy']['acceptHost'])
        ->toBeTrue()
        ->and($run->refresh()->plan['values']['bitrate']['average'])
        ->toBe($before)
        ->toBe(238_000);
    $noted = ($this->save)($cut, fn (array $output): array => $output + ['hostVersion' => null]);
    expect(array_column($noted['outputs'][1]['plan']['findings'], 'id'))->not->toContain('host-changed');
    // A change that touches nothing on the sheet is not spoken of.
    $hosts->save($copy['slug'], $hosts->entry($copy['slug'])->file->with(notes: 'Asked them'));
    expect(array_column(($this->sheet)($cut)['outputs'][1]['plan']['findings'], 'id'))->not->toContain('host-changed');
});

it('begins new sheets with the defaults of roles and hosts', function () {
    app(Presets::class)->create(presetFile('Kiln pieces', ['container' => ['set' => 'mp4']]));
    foreach ([['upload@lanternwick', 'kiln-pieces'], ['master', null], ['review', 'review-720']] as [$for, $preset]) {
        $this->answer($this->putJson('/api/library/defaults', ['for' => $for, 'preset' => $preset]), 'default-answer');
    }
    $sheet = ($this->sheet)($this->bringIn());
    expect(array_map(fn (array $output): array => [$output['plan']['preset'], $output['plan']['host']], $sheet['outputs']))
        ->toBe([['kiln-pieces', 'lanternwick'], ['review-720', null]]);
    // One that was taken away begins nothing.
    app(Presets::class)->remove('kiln-pieces');
    $next = ($this->sheet)($this->bringIn('ten-bit', 'other.mov'));
    expect(array_column(array_column($next['outputs'], 'plan'), 'preset'))->toBe(['review-720']);
});

it('lists what is marked and used first, and gives the first nine a key', function () {
    $cut = $this->bringIn();
    $this->putJson('/api/library/preset/sound-wav/favourite', ['favourite' => true])->assertNoContent();
    $this->putJson('/api/library/preset/review-720/favourite', ['favourite' => true])->assertNoContent();
    $this->queued(Cut::query()->find($cut['id']), [['preset' => 'sound-mp3']]);
    $list = $this->answer($this->getJson('/api/presets'), 'preset-list')['presets'];
    expect(array_column(array_slice($list, 0, 3), 'slug'))->toBe(['sound-wav', 'review-720', 'sound-mp3'])
        ->and(array_column($list, 'key'))
        ->toBe([...range(1, 9), ...array_fill(0, count($list) - 9, null)])
        ->and($list[2]['uses'])
        ->toBe(1);
});

it('brings a file in: what is new, the same and in conflict, with each way to settle it', function (
    array $ways,
    array $names,
    string $about,
) {
    $presets = app(Presets::class);
    $presets->create(presetFile('Same'));
    $presets->create(presetFile('Mine', more: ['about' => 'here']));
    $text = json_encode(['format' => Export::FORMAT, 'version' => 1, 'presets' => [
        presetFile('Mine', more: ['about' => 'there'])->document(),
        presetFile('Same')->document(),
        presetFile('New')->document('of-another-hand'),
    ]]);
    $look = $this->answer($this->postJson('/api/library/import', ['name' => 'theirs.json', 'text' => $text]), 'import-answer');
    expect(array_column($look['items'], 'state'))->toBe(['conflict', 'same', 'new'])
        ->and($look['items'][0]['differences'])
        ->toBe([['label' => 'Note', 'from' => 'here', 'to' => 'there']])
        ->and($look['taken'])
        ->toBeNull()
        ->and(LibraryItem::query()->count())
        ->toBe(2);
    $taken = $this->answer(
        $this->postJson('/api/library/import', ['name' => 'theirs.json', 'text' => $text, 'ways' => (object) $ways]),
        'import-answer',
    )['taken'];
    expect(array_column($taken, 'name'))->toBe($names)
        ->and($presets->entry('mine')->file->content->about)
        ->toBe($about)
        ->and($presets->entry('of-another-hand')->name())
        ->toBe('New');
})->with([
    'both' => [['0' => 'both'], ['Mine 2', 'New'], 'here'],
    'replace' => [['0' => 'replace'], ['Mine', 'New'], 'there'],
    'skip' => [['0' => 'skip'], ['New'], 'here'],
]);

it('takes nothing of a file that is not in its format', function (string $text, string $says) {
    $sent = ['name' => 'theirs.json', 'text' => $text, 'ways' => (object) []];
    $error = $this->answer($this->postJson('/api/library/import', $sent), 'error', 422);
    expect($error['error']['message'])->toContain($says)->and(LibraryItem::query()->count())->toBe(0);
})->with(function () {
    $good = presetFile('Good')->document();
    $host = fn (array $asks): string => json_encode(['format' => 'outer-crate/host', 'version' => 1, 'name' => 'H', 'asks' => $asks]);
    $library = fn (array $presets): string => json_encode(['format' => Export::FORMAT, 'version' => 1, 'presets' => $presets]);

    return [
        'no JSON' => ['{"name": ', 'not JSON'],
        'something else' => ['[1, 2]', 'does not say'],
        'nothing' => [$library([]), 'nothing in it'],
        'newer' => [json_encode(['version' => 2] + $good), 'version 2 of the format'],
        'newer inside' => [$library([['version' => 3] + $good]), 'version 3 of the format'],
        'one broken among good ones' => [$library([$good, ['name' => 'Bad', 'rules' => ['audio' => 7]] + $good]), '“Bad” in theirs.json'],
        'twice the same name' => [$library([$good, $good]), 'twice'],
        'a reference to nothing' => [$library([['device' => 'nowhere', 'name' => 'Lost'] + $good]), 'There is no device “nowhere”'],
        'a host that asks the impossible' => [$host(['codecs' => [['codec' => 'wax']]]), 'video codec “wax” cannot be made'],
        'a table with a hole' => [$host(['bitrates' => [['shorterSide' => 720]]]), 'kbps'],
        'a negative rate' => [$host(['bitrates' => [['shorterSide' => 720, 'kbps' => -5]]]), 'kbps'],
        'an absurd rate' => [$host(['bitrates' => [['shorterSide' => 720, 'kbps' => 9_000_000_000]]]), 'kbps'],
        'a range that falls' => [
            $host(['bitrates' => [['shorterSide' => 720, 'kbps' => 9000, 'toKbps' => 8000]]]),
            'A range runs upwards',
        ],
        'two rows of a size' => [
            $host(['bitrates' => [['shorterSide' => 720, 'kbps' => 9000], ['shorterSide' => 720, 'kbps' => 8000]]]),
            '720 lines stand in 2 rows',
        ],
        // Made when it is its turn: what a test is given is told with it, and of this that takes seconds.
        'fifty megabytes' => [fn (): string => json_encode(['about' => str_repeat('x', 50_000_000)] + $good), 'at most 8 MB'],
    ];
});

it('comes back exactly, with what it does not know', function () {
    $own = [
        'presets' => [
            presetFile('One', ['bitrate' => ['mode' => 'vbr', 'average' => ['timesAsk' => 1.0]], 'colour' => (object) []], [
                'tags' => ['a'], 'lens' => ['of' => 'another hand', 'list' => [(object) []]],
            ]),
            presetFile('Two', ['audio' => ['codec' => 'aac', 'warmth' => 3]]),
        ],
    ];
    foreach ($own['presets'] as $file) {
        app(Presets::class)->create(app(Presets::class)->read($file->content, 'x'));
    }
    app(Hosts::class)->create(app(Hosts::class)->entry('platen')->file->with(name: 'Platen of mine'));
    $url = '/api/library/export?presets=one,two&hosts=platen-of-mine';
    $text = $this->get($url)
        ->assertOk()
        ->assertHeader('content-disposition', 'attachment; filename="outer-crate-library.json"')
        ->getContent();
    LibraryItem::query()->delete();
    LibraryVersion::query()->delete();
    $sent = ['name' => 'x.json', 'text' => $text, 'ways' => (object) []];
    $answer = $this->answer($this->postJson('/api/library/import', $sent), 'import-answer');
    expect($answer['items'][0]['unknown'])->toBe(['lens'])
        ->and($answer['items'][1]['unknown'])->toBe(['rules/audio/warmth'])
        ->and($this->get($url)->getContent())->toBe($text)
        ->and(app(Presets::class)->need('two')->rules->word('audio'))->toBeNull();
    // One by itself is its own file, and a shipped one reads like it lies there.
    $one = json_decode($this->get('/api/library/export?presets=review-720')->getContent(), true);
    $lies = json_decode(file_get_contents(base_path('presets/review-720.json')), true);
    expect(array_diff_key($one, ['$schema' => 0, 'id' => 0]))->toBe($lies)->and($one['id'])->toBe('review-720');
});

it('goes on when an item of one’s own can no longer be made', function () {
    $presets = app(Presets::class);
    $presets->create(presetFile('Kiln pieces'));
    $broken = str_replace('"rules": {}', '"rules": {}, "device": "gone"', LibraryVersion::query()->first()->file);
    LibraryVersion::query()->update(['file' => $broken]);
    $list = $this->answer($this->getJson('/api/presets'), 'preset-list');
    expect($list['broken'][0]['fault'])->toContain('Kiln pieces', 'There is no device “gone”')
        ->and($this->answer($this->getJson('/api/library/preset/kiln-pieces'), 'library-item')['fault'])
        ->toContain('gone');
    $cut = $this->bringIn();
    $error = $this->answer($this->postJson('/api/plan', ['cut' => $cut['id'], 'outputs' => [['preset' => 'kiln-pieces']]]), 'error', 422);
    expect($error['error']['id'])->toBe('broken-item');
});

it('reads a pasted table for a host, and the sheet follows it', function () {
    $text = "Resolution\t24–30 fps\t50–60 fps\n2160p (4K)\t35–45 Mbps\t53–68 Mbps\n1080p\t8\t12,5\n180p\t0,4\t0,6\nSee the notes below";
    $table = $this->answer($this->postJson('/api/library/host/table', ['text' => $text]), 'table-answer');
    expect($table['rows'][0])
        ->toBe(['shorterSide' => 2160, 'kbps' => 35_000, 'toKbps' => 45_000, 'highKbps' => 53_000, 'highToKbps' => 68_000])
        ->and($table['rows'][1])->toBe(['shorterSide' => 1080, 'kbps' => 8_000, 'highKbps' => 12_500])
        ->and($table['remarks'])->toHaveCount(1);
    $file = ['format' => 'outer-crate/host', 'version' => 1, 'name' => 'Sooty Lamp', 'asks' => ['bitrates' => $table['rows']]];
    $host = $this->answer($this->postJson('/api/library/host', ['file' => $file]), 'library-item', 201);
    $cut = $this->bringIn();
    $plan = $this->answer($this->postJson('/api/plan', ['cut' => $cut['id'], 'outputs' => [
        ['preset' => 'lanternwick-even', 'host' => $host['slug']],
    ]]), 'plan-list')['outputs'][0];
    expect($plan['values']['bitrate']['average'])
        ->toBe(400_000)
        ->and($plan['origins']['bitrate']['text'])
        ->toContain("asks 400\u{2009}kb/s");
});

it('holds no more than it can show', function () {
    $now = now();
    LibraryItem::query()->insert(array_map(
        fn (int $i): array => ['kind' => 'preset', 'slug' => "p{$i}", 'version' => 1, 'created_at' => $now, 'updated_at' => $now],
        range(1, Collection::MOST),
    ));
    $this->answer($this->postJson('/api/library/preset', ['name' => 'One more', 'role' => 'upload']), 'error', 422);
});

it('is reached by command as well: listed, shown, made a default, taken out and brought in', function () {
    $crate = $this->crate(...);
    $preset = json_decode($crate('presets', 'export', 'review-720')->getOutput(), true);
    $mine = $this->file('mine.json', json_encode(['name' => 'Friday review', 'tags' => ['friday'], 'id' => 'friday'] + $preset));
    $host = json_decode($crate('hosts', 'show', 'platen', '--json')->getOutput(), true)['file'];
    $this->file('host.json', json_encode(['name' => 'Platen of mine', 'id' => 'platen-of-mine'] + $host));

    expect(json_decode($crate('presets', 'import', $mine, '--json')->getOutput(), true)['taken'])->toBe(['friday'])
        ->and($crate('hosts', 'import', 'host.json')->getOutput())->toContain('Taken: platen-of-mine.')
        ->and($crate('presets', 'show', 'friday')->getOutput())->toContain('Inside 1280×720', 'From mine.json')
        ->and(json_decode($crate('presets', 'default', 'review', 'friday', '--json')->getOutput(), true)['review'])->toBe('friday')
        ->and(json_decode($crate('hosts', 'list', 'mine', '--json')->getOutput(), true)[0]['slug'])->toBe('platen-of-mine');
    foreach ([['presets', 'show', 'nowhere'], ['hosts', 'default']] as $wrong) {
        expect($crate(...$wrong)->getExitCode())->toBe(2, implode(' ', $wrong));
    }
    $this->file('bad.json', '{"format": "outer-crate/preset", "version": 9}');
    $bad = $crate('presets', 'import', 'bad.json', '--json');
    expect($bad->getExitCode())->toBe(1)
        ->and(json_decode($bad->getOutput(), true)['error']['message'])->toContain('version 9 of the format');
});
