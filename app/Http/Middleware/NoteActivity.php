<?php

namespace App\Http\Middleware;

use App\Http\Deeds;
use App\SignIn\ActivityLog;
use App\SignIn\Visitor;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Logs each change in the activity log after it succeeds. */
final class NoteActivity
{
    public function __construct(private readonly ActivityLog $log)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $route = $request->route();
        $what = Deeds::of($request->method(), $route->uri());
        if ($what !== null && $response->getStatusCode() < 400) {
            // The change has succeeded, so a failure to log it must not turn the response into an error.
            rescue(fn () => $this->log->note(
                Visitor::of($request)->name ?? 'this machine',
                $what,
                Deeds::subject($request, $route),
                $request->ip(),
            ));
        }

        return $response;
    }
}
