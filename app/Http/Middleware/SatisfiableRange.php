<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/** A range that begins behind the end of a file is answered 416 and not with all of it (RFC 9110, 15.5.17). */
class SatisfiableRange
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (
            $response instanceof BinaryFileResponse &&
            preg_match('~^bytes=(\d+)-(\d*)$~', (string) $request->header('Range'), $range) === 1
        ) {
            $bytes = (int) $response->getFile()->getSize();
            if ((int) $range[1] >= $bytes || ($range[2] !== '' && (int) $range[2] < (int) $range[1])) {
                return response('', 416, ['Content-Range' => "bytes */{$bytes}", 'Accept-Ranges' => 'bytes']);
            }
        }

        return $response;
    }
}
