<?php

namespace StandIn\Http;

use Closure;
use Illuminate\Http\Request;
use StandIn\Clock;
use StandIn\Faults;
use Symfony\Component\HttpFoundation\Response;

/** Requests meet the faults that are switched on. */
class Faulty
{
    public function __construct(private readonly Faults $faults)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        Clock::set($this->faults->value('clock'));
        if ($this->faults->strikes('broken') !== null) {
            throw new Refusal(503, 'broken', 'The host is out of order. Try again later.');
        }
        $busy = $this->faults->strikes('busy');
        if ($busy !== null) {
            $seconds = (int) ($busy['seconds'] ?? 5);
            throw new Refusal(429, 'busy', 'Too many requests. Try again later.', ['Retry-After' => $seconds]);
        }

        return $next($request);
    }
}
