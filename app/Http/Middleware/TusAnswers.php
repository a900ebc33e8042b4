<?php

namespace App\Http\Middleware;

use App\Uploads\TusRequest;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Every answer of the upload protocol names its version, refusals too (tus 1.0.0, “Tus-Resumable”). */
class TusAnswers
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $response->headers->add(TusRequest::version());

        return $response;
    }
}
