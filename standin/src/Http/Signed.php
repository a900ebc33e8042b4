<?php

namespace StandIn\Http;

use Closure;
use Illuminate\Http\Request;
use StandIn\Faults;
use StandIn\Models\Account;
use StandIn\Models\Token;
use Symfony\Component\HttpFoundation\Response;

/** Lets in who holds a token that is good. */
class Signed
{
    public function __construct(private readonly Faults $faults)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $token = Token::query()->where('hash', hash('sha256', (string) $request->bearerToken()))->first();
        if ($token === null) {
            throw new Refusal(401, 'signed-out', 'Sign in first.');
        }
        if ($token->expires_at->isPast() || $this->faults->strikes('token') !== null) {
            $token->delete();
            throw new Refusal(401, 'expired', 'This sign-in has expired. Sign in again.');
        }
        $request->attributes->set('account', $token->account);

        return $next($request);
    }

    public static function account(Request $request): Account
    {
        $account = $request->attributes->get('account');

        return $account instanceof Account ? $account : throw new Refusal(401, 'signed-out', 'Sign in first.');
    }
}
