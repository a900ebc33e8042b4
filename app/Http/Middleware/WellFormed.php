<?php

namespace App\Http\Middleware;

use App\Http\Problem;
use App\Http\QueryParameters;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses malformed addresses in one place: invalid UTF-8, lists where a single value belongs, numbers beyond 64 bits. */
final class WellFormed
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! self::isText($request->decodedPath())) {
            return Problem::answer(400, 'malformed', 'The address is not valid UTF-8.');
        }
        foreach ($request->query->all() as $name => $value) {
            $fault = self::isText((string) $name) && self::isAllText($value)
                ? QueryParameters::fault((string) $name, $value)
                : 'is not valid UTF-8';
            if ($fault !== null) {
                return Problem::answer(400, 'malformed', 'The parameter “'.mb_scrub((string) $name)."” {$fault}.");
            }
        }

        return $next($request);
    }

    private static function isText(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && ! str_contains($text, "\0");
    }

    private static function isAllText(mixed $value): bool
    {
        return is_array($value)
            ? array_filter($value, fn (mixed $one): bool => ! self::isAllText($one)) === []
            : self::isText((string) $value);
    }
}
