<?php

namespace App\Http\Middleware;

use App\Configuration\AccessSettings;
use App\Models\Role;
use App\Models\User;
use App\SignIn\Door;
use App\SignIn\OwnMachine;
use App\SignIn\SignInRefused;
use App\SignIn\Tokens;
use App\SignIn\Users;
use App\SignIn\Visitor;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Requires a session or a token as soon as a user exists. Requests from this machine need neither while there are no users, or when the
 * owner switched local sign-in off; no session is started for them.
 */
final class SignedIn
{
    public function __construct(private readonly Tokens $tokens, private readonly Pipeline $pipeline)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $token = $request->bearerToken();
        if ($token !== null) {
            $known = $this->tokens->find($token) ?? throw SignInRefused::token();
            Auth::setUser($known->user);
            (new Visitor($known->user->name, $known->role->within($known->user->role)))->set($request);

            return $next($request);
        }
        $isOwn = OwnMachine::made($request);
        if ($isOwn && (! app(AccessSettings::class)->signInHere || ! Users::any())) {
            (new Visitor(null, Role::Owner))->set($request);

            return $next($request);
        }
        if (! $request->cookies->has((string) config('session.cookie'))) {
            throw Users::any() ? SignInRefused::unknown() : SignInRefused::nobody();
        }

        return $this->pipeline->send($request)->through(Sessions::GO_ON)->then(function (Request $request) use ($next): Response {
            $session = $request->session();
            assert($session instanceof Store);
            Door::keepClosed($session);
            $user = Auth::guard('web')->user();
            if (! $user instanceof User) {
                throw Users::any() ? SignInRefused::unknown() : SignInRefused::nobody();
            }
            (new Visitor($user->name, $user->role))->set($request);

            return $next($request);
        });
    }
}
