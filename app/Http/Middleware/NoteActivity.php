<?php

namespace App\Http\Middleware;

use App\Http\Deeds;
use App\SignIn\ActivityLog;
use App\SignIn\Visitor;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Notes what somebody changed, once it is done. */
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
            // What was done is done: that it could not be noted is no reason to say that it failed.
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
