<?php

use App\Http\Deeds;
use App\Http\Permissions;
use App\Models\ActivityEntry;
use App\Models\Cut;
use App\Models\Role;
use App\Models\Token;
use App\Settings\Settings;
use App\SignIn\ActivityLog;
use App\SignIn\OwnMachine;
use App\SignIn\SignInRefused;
use App\SignIn\Tokens;
use App\SignIn\Users;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
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
});

it('asks everybody on the machine itself as well, as soon as there is a user, unless the owner switches that off', function () {
    $here = fn () => $this->flushHeaders()->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->getJson('http://127.0.0.1/api/machine');
    expect($here()->json())->toMatchArray(['user' => null, 'role' => 'owner']);
    app(Users::class)->add('mira', PASSWORD);
    $here()->assertStatus(401);
    app(Settings::class)->set(['signInHere' => false]);
    expect($here()->json('role'))->toBe('owner');
});

it('believes of whom a server in front speaks only where it is listed', function () {
    app(Users::class)->add('mira', PASSWORD);
    app(Settings::class)->set(['signInHere' => false]);
    $asked = ['X-Forwarded-For' => '192.0.2.7', 'X-Forwarded-Proto' => 'https', 'Origin' => 'https://crate.lan'];
    $through = fn (string $proxy, array $headers) => $this->flushHeaders()->withServerVariables(['REMOTE_ADDR' => $proxy])
        ->postJson('http://crate.lan/api/sign-in', ['name' => 'mira', 'password' => PASSWORD], $headers);
    // Its origin is https, which nobody here knows of: the write is refused.
    expect($through('10.1.2.3', $asked)->status())->toBe(403);
    config(['crate.trusted_proxies' => ['10.1.0.0/16']]);
    expect($through('10.1.2.3', $asked)->status())->toBe(200)
        ->and(ActivityEntry::query()->latest('id')->value('address'))->toBe('192.0.2.7')
        ->and($through('10.9.2.3', $asked)->status())->toBe(403);
    // What was passed on is never this machine, whoever passed it on.
    $asLocal = fn (array $headers) => $this->flushHeaders()->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])
        ->getJson('http://127.0.0.1/api/settings', $headers)->status();
    expect($asLocal([]))->toBe(200)->and($asLocal(['X-Forwarded-For' => '127.0.0.1']))->toBe(401);
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
    app(Users::class)->add('ada', PASSWORD, Role::Owner);
    $answer = signedIn();
    // The session learns with which password it was begun when it is first used.
    fromElsewhere('GET', 'machine', after: $answer)->assertOk();
    $change($user);
    fromElsewhere('GET', 'machine', after: $answer)->assertStatus(401);
})->with([
    'another password' => [fn ($user) => app(Users::class)->change($user, 'crates of birch')],
    'no user' => [fn ($user) => app(Users::class)->remove($user)],
]);

it('has an address wait longer after each failure, and nobody else', function () {
    // The waits are read in whole seconds: a clock that ran on would take one off now and then.
    $this->freezeSecond();
    app(Users::class)->add('mira', PASSWORD);
    app(Users::class)->add('ada', PASSWORD);
    $from = fn (string $address, string $name, string $password) => $this->flushHeaders()
        ->withServerVariables(['REMOTE_ADDR' => $address])->postJson(DESK.'/api/sign-in', compact('name', 'password'));
    foreach (range(1, 4) as $try) {
        $from('192.0.2.7', 'mira', "guess {$try}")->assertStatus(422);
    }
    // Somebody else's success is no reason to count from nought.
    $from('192.0.2.7', 'ada', PASSWORD)->assertOk();
    $waits = [];
    foreach (range(1, 3) as $try) {
        $from('192.0.2.7', 'mira', "guess {$try}")->assertStatus(422);
        $refused = $from('192.0.2.7', 'mira', PASSWORD)->assertStatus(429)->assertJsonPath('error.id', 'too-often');
        preg_match('~Wait (\d+) s~', (string) $refused->json('error.todo'), $m);
        $waits[] = (int) $m[1];
        $this->travel((int) $m[1] + 1)->seconds();
    }
    expect($waits)->toBe([2, 4, 8]);
    // The owner comes in from elsewhere, whatever others try with that name from however many addresses.
    foreach (range(1, 40) as $other) {
        $from("198.51.100.{$other}", 'mira', 'a guess')->assertStatus(422);
    }
    $from('203.0.113.5', 'mira', PASSWORD)->assertOk();
    // There each address has one attempt, not five.
    $from('203.0.113.6', 'mira', 'a guess')->assertStatus(422);
    $from('203.0.113.6', 'mira', 'a guess')->assertStatus(429);
    // One visitor commands a whole network of IPv6.
    foreach (range(1, 5) as $try) {
        $from("2001:db8:1:1::{$try}", 'ada', 'a guess')->assertStatus(422);
    }
    $from('2001:db8:1:1::ffff', 'ada', PASSWORD)->assertStatus(429);
    $from('2001:db8:1:2::1', 'ada', PASSWORD)->assertOk();
});

it('checks a password for a name that nobody has as well, and leaves nothing of a refusal behind', function () {
    app(Users::class)->add('mira', PASSWORD);
    $real = Hash::getFacadeRoot();
    $counting = new class($real)
    {
        public array $checked = [];

        public function __construct(private readonly object $real)
        {
        }

        public function check(string $value, string $hash): bool
        {
            $this->checked[] = password_get_info($hash)['algo'];

            return $this->real->check($value, $hash);
        }

        public function __call(string $name, array $arguments): mixed
        {
            return $this->real->{$name}(...$arguments);
        }
    };
    Hash::swap($counting);
    signedIn('nobody')->assertStatus(422);
    signedIn('mira', 'a wrong one')->assertStatus(422);
    expect($counting->checked)->toBe(['2y', '2y']);
    Hash::swap($real);
    fromElsewhere('GET', 'machine')->assertStatus(401);
    expect(glob(config('session.files').'/*'))->toBe([]);
    signedIn()->assertOk();
    expect(glob(config('session.files').'/*'))->not->toBe([]);
});

it('tells a stranger nothing of what there is', function () {
    app(Users::class)->add('mira', PASSWORD);
    foreach (['cuts/1/sheet', 'runs/99/file', 'nothing/at/all', 'cuts/abc/sheet', 'library/preset/no-such'] as $path) {
        expect(fromElsewhere('GET', $path)->status())->toBe(401, $path);
    }
    $in = signedIn();
    expect(fromElsewhere('GET', 'runs/99/file', after: $in)->status())->toBe(404)
        ->and(fromElsewhere('GET', 'nothing/at/all', after: $in)->status())->toBe(404);
});

it('holds each role to what it may do', function () {
    $users = app(Users::class);
    $tokens = [];
    foreach (Role::cases() as $role) {
        $tokens[$role->value] = app(Tokens::class)->make($users->add($role->value, PASSWORD, $role), 'script');
    }
    $ask = fn (string $role, string $method, string $uri): int => $this->withServerVariables(['REMOTE_ADDR' => '192.0.2.7'])->json(
        $method, DESK."/{$uri}", [], ['Authorization' => "Bearer {$tokens[$role]}"],
    )->status();
    foreach (Route::getRoutes() as $route) {
        foreach (array_diff($route->methods(), ['HEAD', 'OPTIONS']) as $method) {
            if (! str_starts_with($route->uri(), 'api/') || in_array($route->uri(), ['api/sign-in', 'api/sign-out', 'api/{any}'], true)) {
                continue;
            }
            $uri = str_replace('{kind}', 'preset', $route->uri());
            $uri = (string) preg_replace(['~\{what\}~', '~\{\w+\??\}~'], ['pictures', '987654'], $uri);
            $needed = Permissions::of($method, $route->uri());
            foreach (Role::cases() as $role) {
                if (! $role->includes($needed)) {
                    expect($ask($role->value, $method, $uri))->toBe(403, "{$role->value} {$method} {$uri}");
                }
            }
            // What a role lets through is refused for other reasons, or answered.
            expect($ask($needed->value, $method, $uri))->not->toBeIn([401, 403, 500], "{$needed->value} {$method} {$uri}");
        }
    }
    expect(Permissions::of('PUT', 'api/settings'))->toBe(Role::Owner)
        ->and(Permissions::of('POST', 'api/cuts/{cut}/pack'))->toBe(Role::Editor)
        ->and(Permissions::of('GET', 'api/runs/{run}/file'))->toBe(Role::Viewer);
});

it('names every request that changes something in the activity log', function () {
    $changes = [];
    foreach (Route::getRoutes() as $route) {
        foreach (array_diff($route->methods(), ['HEAD', 'OPTIONS', 'GET']) as $method) {
            str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/{any}' ? $changes[] = "{$method} {$route->uri()}" : null;
        }
    }
    expect(array_diff($changes, Deeds::known()))->toBe([])->and(array_diff(Deeds::known(), $changes))->toBe([]);
});

it('notes who changed what, for the owner to search', function () {
    $this->bringIn('few');
    app(Users::class)->add('mira', PASSWORD);
    $in = signedIn();
    $cut = Cut::query()->sole();
    foreach (range(1, 3) as $time) {
        fromElsewhere('POST', "cuts/{$cut->id}/analysis", after: $in)->assertSuccessful();
    }
    fromElsewhere('DELETE', "cuts/{$cut->id}", after: $in)->assertSuccessful();
    signedIn('mira', 'a wrong one');
    $found = fn (string $search): array => array_map(
        fn (array $entry): string => "{$entry['who']}: {$entry['what']} {$entry['subject']} × {$entry['times']}",
        $this->answer(fromElsewhere('GET', 'activity?search='.rawurlencode($search), after: $in), 'activity')['entries'],
    );
    expect($found(''))->toBe([
        'mira: Failed to sign in  × 1',
        "mira: Took a cut off the shelf {$cut->name} × 1",
        "mira: Analysed a cut {$cut->name} × 3",
        'mira: Signed in  × 1',
        'this machine: Brought in a cut '.basename($cut->path).' × 1',
    ])
        ->and($found('MIRA shelf'))->toHaveCount(1)
        ->and($found('100%'))->toBe([]);
    $page = app(ActivityLog::class)->search(limit: 2);
    expect(app(ActivityLog::class)->search(before: $page->last()->id, limit: 2)->pluck('what')->all())
        ->toBe(['Analysed a cut', 'Signed in']);
});

it('leaves no team without an owner', function () {
    $users = app(Users::class);
    $mira = $users->add('mira', PASSWORD);
    $ada = $users->add('ada', PASSWORD);
    expect([$mira->role, $ada->role])->toBe([Role::Owner, Role::Editor])
        ->and(fn () => $users->giveRole($mira, Role::Viewer))->toThrow(SignInRefused::class, 'only owner')
        ->and(fn () => $users->remove($mira))->toThrow(SignInRefused::class, 'only owner');
    $users->giveRole($ada, Role::Owner);
    $users->remove($mira);
    $users->remove($ada);
    expect(Users::any())->toBeFalse();
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
    // It may do no more than its user, however it was made, and nothing once it has expired.
    $owners = app(Tokens::class)->make($user, 'weekly', Role::Owner, now()->addDay());
    app(Users::class)->add('ada', PASSWORD, Role::Owner);
    app(Users::class)->giveRole($user, Role::Viewer);
    expect($ask($owners)->json('role'))->toBe('viewer');
    $this->travel(25)->hours();
    $ask($owners)->assertStatus(401);
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
    ['ada', 'eleven char', 'too short'],
    ['ada', str_repeat('é', 37), 'too long'],
]);

it('adds users and tokens by command, and listens elsewhere only once there is one', function () {
    $database = [...TestDatabase::another(dirname($this->folder('derived'))), 'APP_ENV' => 'production'];
    $listen = function (string $address) use ($database): int {
        return (new Process(['php', base_path('artisan'), 'crate:may-listen', $address], base_path(), $database))->run();
    };
    $add = new Process([base_path('bin/crate'), 'users', 'add', 'mira'], base_path(), $database, PASSWORD."\n");
    expect($this->crate('users')->getOutput())
        ->toContain('No users')
        ->and([$listen('127.0.0.1'), $listen('0.0.0.0'), $listen('::1'), $listen('somewhere')])
        ->toBe([0, 1, 0, 1])
        ->and($add->run())
        ->toBe(0)
        ->and($listen('0.0.0.0'))
        ->toBe(0)
        ->and($this->crate('tokens', 'add', 'mira', 'nightly')->getOutput())
        ->toMatch('~^crate_[0-9a-f]{64}\n$~')
        ->and($this->crate('tokens')->getOutput())
        ->toContain('nightly', 'never used', 'does not expire', 'owner')
        ->and($this->crate('tokens', 'add', 'mira', 'weekly', '--role=viewer', '--expires=2031-06-30')->getExitCode())
        ->toBe(0)
        ->and($this->crate('tokens')->getOutput())
        ->toContain('viewer', 'expires 30 Jun 2031')
        ->and($this->crate('activity', 'tokens', 'weekly')->getOutput())
        ->toContain('command line', 'bin/crate tokens add mira weekly')
        ->and($this->crate('users', 'remove', 'ada')->getExitCode())
        ->toBe(1);
});
