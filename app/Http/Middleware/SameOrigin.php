<?php

namespace App\Http\Middleware;

use App\Http\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * On its own machine the application is open without a password. Another page open in the same browser must not be able to change
 * anything: a write has to come from our own pages (or from a program, which sends no Origin) and be JSON. A foreign name that is pointed
 * at this machine is somewhere else (SignedIn).
 */
final class SameOrigin
{
    private const TYPES = ['application/json', 'application/offset+octet-stream', 'application/octet-stream'];

    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            $origin = $request->headers->get('Origin');
            if ($origin !== null && $origin !== $request->getSchemeAndHttpHost()) {
                return Problem::answer(403, 'origin', 'This request came from another page and was refused.');
            }
            // Neither JSON nor bytes can be sent by a form, and a script of another page would have to ask first.
            $type = strtolower(trim(explode(';', (string) $request->headers->get('Content-Type'))[0]));
            if (! in_array($type, self::TYPES, true) && $request->getContent() !== '') {
                return Problem::answer(415, 'media-type', 'Send JSON, with the header Content-Type: application/json.');
            }
        }

        return $next($request);
    }
}
