<?php

namespace App\Http\Middleware;

use App\SignIn\Door;
use App\SignIn\OwnMachine;
use App\SignIn\SignInRefused;
use App\SignIn\Tokens;
use App\SignIn\Users;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whoever asks from elsewhere is signed in, by a session or a token. Whoever sits at this machine need not be, unless the configuration
 * says so; sessions are begun for nobody else, so that they cost nothing here.
 */
final class SignedIn
{
    public function __construct(private readonly Tokens $tokens, private readonly Pipeline $pipeline)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (OwnMachine::made($request) && ! config('crate.sign_in_here')) {
            return $next($request);
        }
        $token = $request->bearerToken();
        if ($token !== null) {
            Auth::setUser($this->tokens->user($token) ?? throw SignInRefused::token());

            return $next($request);
        }

        return $this->pipeline->send($request)->through(Sessions::GO_ON)->then(function (Request $request) use ($next): Response {
            $session = $request->session();
            assert($session instanceof Store);
            Door::keepClosed($session);
            Auth::guard('web')->check() ?: throw Users::any() ? SignInRefused::unknown() : SignInRefused::nobody();

            return $next($request);
        });
    }
}
