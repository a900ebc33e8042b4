<?php

use App\Models\Cut;
use App\Models\Upload;
use Illuminate\Testing\TestResponse;
use Tests\Support\Clips;

function tus(string $method, string $address, array $headers = [], string $body = ''): TestResponse
{
    $server = ['HTTP_TUS_RESUMABLE' => '1.0.0'];
    foreach ($headers as $name => $value) {
        $server[$name === 'Content-Type' ? 'CONTENT_TYPE' : 'HTTP_'.strtoupper(strtr($name, '-', '_'))] = $value;
    }

    return test()->call($method, $address, [], [], [], array_filter($server, fn (?string $value): bool => $value !== null), $body);
}

/** Begins an upload and gives its address. */
function begun(int $length, string $name = 'bowl.mp4'): string
{
    return tus('POST', '/api/uploads', ['Upload-Length' => (string) $length, 'Upload-Metadata' => 'filename '.base64_encode($name)])
        ->assertStatus(201)
        ->headers->get('Location');
}

function piece(string $address, int $offset, string $bytes, array $headers = []): TestResponse
{
    return tus(
        'PATCH',
        $address,
        ['Content-Type' => 'application/offset+octet-stream', 'Upload-Offset' => (string) $offset] + $headers,
        $bytes,
    );
}

it('says what it speaks', function () {
    $answer = tus('OPTIONS', '/api/uploads', ['Tus-Resumable' => null])->assertStatus(204);
    expect($answer->headers->get('Tus-Version'))
        ->toBe('1.0.0')
        ->and(explode(',', $answer->headers->get('Tus-Extension')))
        ->toBe(['creation', 'creation-with-upload', 'termination', 'checksum', 'expiration'])
        ->and(explode(',', $answer->headers->get('Tus-Checksum-Algorithm')))
        ->toContain('sha1');
});

it('takes a file in pieces, appended in place, and gives it its name when it is whole', function () {
    $bytes = file_get_contents(Clips::make('plain'));
    $address = begun(strlen($bytes), 'bowl "1".mp4');
    $parts = str_split($bytes, 10_000);
    $offset = 0;
    foreach ($parts as $i => $part) {
        expect(tus('HEAD', $address)->assertStatus(200)->headers->get('Upload-Offset'))->toBe((string) $offset);
        if ($i === 1) {
            expect($this->answer($this->getJson('/api/uploads'), 'upload-list')['uploads'][0])
                ->toMatchArray(['name' => 'bowl "1".mp4', 'offset' => 10_000, 'complete' => false])
                ->and($this->left('uploads'))
                ->toHaveCount(2);
        }
        $offset += strlen($part);
        expect(
            piece($address, $offset - strlen($part), $part)
                ->assertStatus(204)
                ->headers->get('Upload-Offset'),
        )->toBe((string) $offset);
    }
    $upload = $this->answer($this->getJson($address), 'upload-answer')['upload'];
    expect($upload)
        ->toMatchArray(['complete' => true, 'sha256' => hash('sha256', $bytes), 'file' => $this->folder('uploads').'/bowl -1-.mp4'])
        ->and(file_get_contents($upload['file']))
        ->toBe($bytes)
        ->and($this->left('uploads'))
        ->toBe(['bowl -1-.mp4'])
        ->and(tus('HEAD', $address)->headers->get('Cache-Control'))
        ->toContain('no-store');
    // It stands on the shelf, whether the page that sent it is still there or not.
    expect(Cut::query()->sole()->path)->toBe($upload['file']);
    // It is a cut like any other, from a folder like any other.
    expect($this->answer($this->postJson('/api/cuts', ['path' => $upload['file']]), 'cut-answer', 201)['cut']['name'])
        ->toBe('Bowl 1')
        ->and(array_column($this->getJson('/api/media')->json('files'), 'name'))
        ->toBe(['bowl -1-.mp4']);
});

it('never writes over a file that has the name already', function () {
    foreach (['one', 'two'] as $content) {
        piece(begun(3, 'same.mp4'), 0, $content)->assertStatus(204);
    }
    expect(file_get_contents($this->folder('uploads').'/same.mp4'))
        ->toBe('one')
        ->and(file_get_contents($this->folder('uploads').'/same v2.mp4'))
        ->toBe('two');
});

it('creates with the first bytes, and an empty file at once', function () {
    $answer = tus(
        'POST',
        '/api/uploads',
        ['Upload-Length' => '10', 'Content-Type' => 'application/offset+octet-stream'],
        'hello',
    )->assertStatus(201);
    expect($answer->headers->get('Upload-Offset'))
        ->toBe('5')
        ->and(strtotime($answer->headers->get('Upload-Expires')))
        ->toBeGreaterThan(time() + 86_400);
    begun(0, 'empty.mp4');
    expect(filesize($this->folder('uploads').'/empty.mp4'))->toBe(0);
});

it('keeps nothing of a piece whose checksum differs', function (string $algorithm) {
    $address = begun(6);
    $right = fn (string $bytes): array => ['Upload-Checksum' => $algorithm.' '.base64_encode(hash($algorithm, $bytes, true))];
    piece($address, 0, 'one', $right('one'))->assertStatus(204);
    expect(piece($address, 3, 'twX', $right('two'))->getStatusCode())
        ->toBe(460)
        ->and(tus('HEAD', $address)->headers->get('Upload-Offset'))
        ->toBe('3');
    piece($address, 3, 'two', $right('two'))->assertStatus(204);
    expect(Upload::query()->first()->sha256)->toBe(hash('sha256', 'onetwo'));
})->with(['sha1', 'sha256', 'md5']);

it('refuses what the protocol forbids, and loses nothing', function (Closure $ask, int $status, string $says) {
    $address = begun(10);
    piece($address, 0, 'hello')->assertStatus(204);
    $answer = $ask($address)->assertStatus($status);
    expect($answer->json('error.message') ?? '')
        ->toContain($says)
        ->and($answer->headers->get('Tus-Resumable'))
        ->toBe('1.0.0')
        ->and(tus('HEAD', $address)->headers->get('Upload-Offset'))
        ->toBe('5');
})->with([
    'another version' => [fn (string $address) => tus('PATCH', $address, ['Tus-Resumable' => '0.2.2']), 412, 'speaks tus 1.0.0'],
    'no version' => [fn () => tus('POST', '/api/uploads', ['Tus-Resumable' => null, 'Upload-Length' => '5']), 412, 'speaks tus 1.0.0'],
    'another offset' => [fn (string $address) => piece($address, 4, 'x'), 409, 'stands at 5'],
    'more than announced' => [fn (string $address) => piece($address, 5, 'far too many'), 413, 'More bytes'],
    'another type' => [
        fn (string $address) => tus('PATCH', $address, ['Content-Type' => 'application/json', 'Upload-Offset' => '5'], '{}'),
        415,
        'offset+octet-stream',
    ],
    'no length' => [fn () => tus('POST', '/api/uploads'), 400, 'Upload-Length'],
    'a length that is none' => [fn () => tus('POST', '/api/uploads', ['Upload-Length' => '-5']), 400, 'Upload-Length'],
    'a checksum of another kind' => [
        fn (string $address) => piece($address, 5, 'x', ['Upload-Checksum' => 'crc5 AAAA']),
        400,
        'must name one of',
    ],
    'no room' => [fn () => tus('POST', '/api/uploads', ['Upload-Length' => '900000000000000000']), 413, 'Make room'],
    'an upload that is not there' => [
        fn () => tus(
            'PATCH',
            '/api/uploads/019aaaaa-0000-7000-8000-000000000000',
            ['Content-Type' => 'application/offset+octet-stream', 'Upload-Offset' => '0'],
            'x',
        ),
        410,
        'Send the file anew',
    ],
]);

it('names its version in every answer, and sets bounds to a piece, to what is begun and to how long it is kept', function () {
    $address = begun(10);
    $expired = begun(10);
    foreach ([tus('HEAD', $address), tus('HEAD', '/api/uploads/none'), tus('PATCH', $address), $this->getJson($address)] as $answer) {
        expect($answer->headers->get('Tus-Resumable'))->toBe('1.0.0');
    }
    piece($address, 0, 'x', ['Content-Length' => '70000000'])->assertStatus(413)->assertSee('67.1');
    // What others have yet to bring is taken.
    $free = (int) disk_free_space($this->folder('uploads'));
    begun(intdiv($free * 2, 3), 'large.mov');
    tus('POST', '/api/uploads', ['Upload-Length' => (string) intdiv($free * 2, 3)])->assertStatus(413);
    $this->travel(8)->days();
    tus('HEAD', $expired)->assertStatus(410);
    piece($expired, 0, 'x')->assertStatus(410);
});

it('lets one request at a time write', function () {
    $address = begun(10);
    $partial = $this->folder('uploads').'/'.$this->left('uploads')[0];
    $held = fopen($partial, 'r+b');
    flock($held, LOCK_EX);
    piece($address, 0, 'hello')->assertStatus(423);
    flock($held, LOCK_UN);
    piece($address, 0, 'hello')->assertStatus(204);
});

it('ends an upload when asked, and those that nobody goes on with', function () {
    $address = begun(10);
    piece($address, 0, 'hello');
    tus('DELETE', $address)->assertStatus(204);
    tus('HEAD', $address)->assertStatus(410);
    expect($this->left('uploads'))->toBe([]);
    piece(begun(10), 0, 'hello');
    $this->travel(8)->days();
    begun(1, 'other.mp4');
    expect(Upload::query()->pluck('name')->all())
        ->toBe(['other.mp4'])
        ->and($this->left('uploads'))
        ->toHaveCount(1);
});

it('takes a corrected film for a film of its own, though it begins, ends and weighs as the first', function () {
    $first = $this->clip('long', 'film.mp4');
    $bytes = file_get_contents($first);
    // Somewhere between the pieces that a fingerprint takes.
    $at = (int) (strlen($bytes) * 0.3);
    $second = $this->file('film corrected.mp4', substr_replace($bytes, strrev(substr($bytes, $at, 64)), $at, 64));
    $cut = $this->postJson('/api/cuts', ['path' => $first])->json('cut');
    $corrected = $this->postJson('/api/cuts', ['path' => $second])->json('cut');
    expect($corrected['path'])
        ->toBe($second)
        ->and($corrected['id'])
        ->not->toBe($cut['id'])
        ->and($this->getJson('/api/cuts')->json('cuts.*.path'))
        ->toEqualCanonicalizing([$first, $second]);
});

it('knows a file again wherever it lies, says when it has gone or changed, and takes the new place', function () {
    $cut = $this->bringIn('plain', 'bowl.mp4');
    $copy = $this->clip('plain', 'a copy of it.mp4');
    expect($this->postJson('/api/cuts', ['path' => $copy])->json('cut'))->toMatchArray(['id' => $cut['id'], 'path' => $cut['path']]);
    unlink($copy);
    rename($cut['path'], $moved = $this->folder('media').'/moved.mp4');
    expect($this->getJson('/api/cuts')->json('cuts.0.fileState'))
        ->toBe('gone')
        ->and(array_column($this->answer($this->getJson("/api/cuts/{$cut['id']}/places"), 'place-list')['files'], 'path'))
        ->toBe([$moved]);
    $other = $this->clip('silent', 'other.mp4');
    expect(
        $this->answer($this->postJson("/api/cuts/{$cut['id']}/locate", ['path' => $other]), 'error', 422)['error']['message'],
    )->toContain('not the file of Bowl');
    expect($this->answer($this->postJson("/api/cuts/{$cut['id']}/locate", ['path' => $moved]), 'cut-answer')['cut'])->toMatchArray([
        'fileState' => 'here',
        'path' => $moved,
    ]);
    rename($moved, $again = $this->folder('media').'/again.mp4');
    expect($this->postJson('/api/cuts', ['path' => $again])->json('cut'))->toMatchArray(['id' => $cut['id'], 'path' => $again]);
    copy(Clips::make('long'), $again);
    expect($this->getJson("/api/cuts/{$cut['id']}/sheet")->json('cut.fileState'))
        ->toBe('changed')
        ->and($this->answer($this->postJson("/api/cuts/{$cut['id']}/read-again"), 'cut-answer')['cut'])
        ->toMatchArray(['fileState' => 'here', 'frames' => 200]);
});
