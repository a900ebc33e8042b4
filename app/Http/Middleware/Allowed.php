<?php

namespace App\Http\Middleware;

use App\Http\Permissions;
use App\SignIn\SignInRefused;
use App\SignIn\Visitor;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses requests that the visitor's role does not allow. */
final class Allowed
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $visitor = Visitor::of($request);
        if ($visitor !== null) {
            $needed = Permissions::needed($request, $request->route());
            if (! $visitor->role->includes($needed)) {
                throw SignInRefused::role($visitor->role, $needed);
            }
        }

        return $next($request);
    }
}
