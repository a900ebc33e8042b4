<?php

use App\Models\Token;
use App\SignIn\OwnMachine;
use App\SignIn\SignInRefused;
use App\SignIn\Tokens;
use App\SignIn\Users;
use Illuminate\Http\Request;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;
use Tests\Support\TestDatabase;

const DESK = 'http://crate.lan';
const PASSWORD = 'crates of walnut';

/** Asks as a browser on another machine does, with the cookies that it was given. */
function fromElsewhere(string $method, string $path, array $body = [], ?TestResponse $after = null): TestResponse
{
    $cookies = array_column(array_map(
        fn ($cookie): array => [$cookie->getName(), $cookie->getValue()],
        $after?->headers->getCookies() ?? [],
    ), 1, 0);
    app('auth')->forgetGuards();
    app()->forgetInstance('session.store');
    app('session')->forgetDrivers();

    return test()
        ->withServerVariables(['REMOTE_ADDR' => '192.0.2.7'])
        ->withCredentials()
        ->withUnencryptedCookies($cookies + ['outer_crate' => ''])
        ->json($method, DESK."/api/{$path}", $body, ['Origin' => DESK]);
}

function signedIn(string $name = 'mira', string $password = PASSWORD): TestResponse
{
    return fromElsewhere('POST', 'sign-in', compact('name', 'password'));
}

beforeEach(function (): void {
    mkdir($this->folder('sessions'));
    config(['session.files' => $this->folder('sessions')]);
});

it('asks whoever comes from elsewhere to sign in, and nobody who sits here', function () {
    expect(fromElsewhere('GET', 'machine')->status())->toBe(403);
    app(Users::class)->add('mira', PASSWORD);
    $this->answer(fromElsewhere('GET', 'machine'), 'error', 401);
    $in = $this->answer($answer = signedIn(), 'sign-in-answer');
    $cookie = $answer->headers->getCookies()[0];
    expect($in['user'])->toBe('mira')
        ->and([$cookie->isHttpOnly(), $cookie->getSameSite()])->toBe([true, 'strict'])
        ->and($this->answer(fromElsewhere('GET', 'machine', after: $answer), 'machine')['user'])->toBe('mira')
        ->and(fromElsewhere('GET', 'cuts')->status())->toBe(401)
        ->and(fromElsewhere('POST', 'sign-out', after: $answer)->status())->toBe(204)
        ->and(fromElsewhere('GET', 'machine', after: $answer)->status())->toBe(401);
    $here = $this->flushHeaders()->withServerVariables(['REMOTE_ADDR' => '127.0.0.1']);
    expect($here->getJson('http://127.0.0.1/api/machine')->json('user'))->toBeNull();
    config(['crate.sign_in_here' => true]);
    $here->getJson('http://127.0.0.1/api/machine')->assertStatus(401);
});

it('ends a session for good, whatever is under way with it', function () {
    app(Users::class)->add('mira', PASSWORD);
    $answer = signedIn();
    fromElsewhere('GET', 'machine', after: $answer)->assertOk();
    $file = collect(glob(config('session.files').'/*'))->sortByDesc(fn (string $path): int => filemtime($path))
        ->first(fn (string $path): bool => str_contains((string) file_get_contents($path), 'login_web'));
    $asItWas = file_get_contents($file);
    fromElsewhere('POST', 'sign-out', after: $answer)->assertStatus(204);
    // As a request does that began before and ends after.
    file_put_contents($file, $asItWas);
    fromElsewhere('GET', 'machine', after: $answer)->assertStatus(401);
    // It does not lie there until its mark has gone.
    expect(is_file($file))->toBeFalse();
});

it('ends sessions with their password and their user', function (Closure $change) {
    $user = app(Users::class)->add('mira', PASSWORD);
    app(Users::class)->add('ada', PASSWORD);
    $answer = signedIn();
    // The session learns with which password it was begun when it is first used.
    fromElsewhere('GET', 'machine', after: $answer)->assertOk();
    $change($user);
    fromElsewhere('GET', 'machine', after: $answer)->assertStatus(401);
})->with([
    'another password' => [fn ($user) => app(Users::class)->change($user, 'crates of birch')],
    'no user' => [fn ($user) => app(Users::class)->remove($user)],
]);

it('lets nobody try more than five passwords a minute', function () {
    app(Users::class)->add('mira', PASSWORD);
    foreach (range(1, 5) as $try) {
        signedIn(password: "guess {$try}")->assertStatus(422);
    }
    signedIn()->assertStatus(429)->assertJsonPath('error.id', 'too-often');
    // From another address as well: the name is what is tried.
    $this->withServerVariables(['REMOTE_ADDR' => '192.0.2.8'])
        ->postJson(DESK.'/api/sign-in', ['name' => 'mira', 'password' => PASSWORD])
        ->assertStatus(429);
    $this->travel(61)->seconds();
    signedIn()->assertOk();
    // What went well is not counted.
    foreach (range(1, 6) as $try) {
        signedIn()->assertOk();
    }
});

it('lets scripts in by a token, until it is removed', function () {
    $user = app(Users::class)->add('mira', PASSWORD);
    $token = app(Tokens::class)->make($user, 'nightly');
    $ask = fn (string $shown) => $this->withServerVariables(['REMOTE_ADDR' => '192.0.2.7'])
        ->getJson(DESK.'/api/machine', ['Authorization' => "Bearer {$shown}"]);
    expect($ask($token)->json('user'))
        ->toBe('mira')
        ->and(Token::query()->first()->used_at)
        ->not->toBeNull()
        ->and(json_encode(Token::query()->get()->makeVisible('digest')))
        ->not->toContain($token)
        ->and($ask(substr($token, 0, -1))->status())
        ->toBe(401);
    app(Tokens::class)->remove($user, 'nightly');
    $ask($token)->assertStatus(401);
});

it('knows what comes from this machine', function (string $address, string $name, array $headers, bool $isOwn) {
    $request = Request::create("http://{$name}/", server: ['REMOTE_ADDR' => $address]);
    $request->headers->add($headers);
    expect(OwnMachine::made($request))->toBe($isOwn);
})->with([
    ['127.0.0.1', '127.0.0.1:8410', [], true],
    ['127.1.2.3', 'localhost', [], true],
    ['::1', '[::1]:8410', [], true],
    ['::ffff:127.0.0.1', 'localhost', [], true],
    'a foreign name pointed here' => ['127.0.0.1', 'elsewhere.example', [], false],
    'passed on by a server in front' => ['127.0.0.1', '127.0.0.1', ['X-Forwarded-For' => '192.0.2.7'], false],
    'our name, said elsewhere' => ['192.0.2.7', '127.0.0.1', [], false],
    'elsewhere by number' => ['7f00::1', 'localhost', [], false],
    ['::ffff:192.0.2.7', 'localhost', [], false],
]);

it('takes no user that could not be trusted or told apart', function (string $name, string $password, string $says) {
    app(Users::class)->add('mira', PASSWORD);
    expect(fn () => app(Users::class)->add($name, $password))->toThrow(SignInRefused::class, $says);
})->with([
    ['mira', PASSWORD, 'already'],
    ['', PASSWORD, 'cannot be a name'],
    ["mi\nra", PASSWORD, 'cannot be a name'],
    ['ada', 'short', 'too short'],
    ['ada', str_repeat('é', 37), 'too long'],
]);

it('adds users and tokens by command, and listens elsewhere only once there is one', function () {
    $database = [...TestDatabase::another(dirname($this->folder('derived'))), 'APP_ENV' => 'production'];
    $listen = function (string $address) use ($database): int {
        return (new Process(['php', base_path('artisan'), 'crate:may-listen', $address], base_path(), $database))->run();
    };
    $add = new Process([base_path('bin/crate'), 'users', 'add', 'mira'], base_path(), $database, PASSWORD."\n");
    expect($this->crate('users')->getOutput())
        ->toContain('There are none')
        ->and([$listen('127.0.0.1'), $listen('0.0.0.0'), $listen('::1'), $listen('somewhere')])
        ->toBe([0, 1, 0, 1])
        ->and($add->run())
        ->toBe(0)
        ->and($listen('0.0.0.0'))
        ->toBe(0)
        ->and($this->crate('tokens', 'add', 'mira', 'nightly')->getOutput())
        ->toMatch('~^crate_[0-9a-f]{64}\n$~')
        ->and($this->crate('tokens')->getOutput())
        ->toContain('nightly', 'never used')
        ->and($this->crate('users', 'remove', 'ada')->getExitCode())
        ->toBe(1);
});
