<?php

namespace App\Http\Middleware;

use App\Http\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The application listens on this machine without a password. Another page open in the same browser must not be able to change
 * anything: a write has to come from our own pages (or from a program, which sends no Origin) and be JSON, and the Host must
 * be an address of this machine, so that no foreign name can be pointed at it.
 */
final class SameOrigin
{
    private const OWN_NAMES = ['127.0.0.1', 'localhost', '[::1]'];

    public function handle(Request $request, Closure $next): Response
    {
        if (! in_array($request->getHost(), self::OWN_NAMES, true)) {
            return Problem::answer(403, 'origin', 'Open Outer Crate by its own address, 127.0.0.1.');
        }
        if (! $request->isMethodSafe()) {
            $origin = $request->headers->get('Origin');
            if ($origin !== null && $origin !== $request->getSchemeAndHttpHost()) {
                return Problem::answer(403, 'origin', 'This request came from another page and was refused.');
            }
            // Neither JSON nor the bytes of an upload can be sent by a form, and a script of another page would have to ask first.
            $type = strtolower(trim(explode(';', (string) $request->headers->get('Content-Type'))[0]));
            if (! in_array($type, ['application/offset+octet-stream', 'application/json'], true) && $request->getContent() !== '') {
                return Problem::answer(415, 'media-type', 'Send JSON, with the header Content-Type: application/json.');
            }
        }

        return $next($request);
    }
}
