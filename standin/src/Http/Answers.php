<?php

namespace StandIn\Http;

use Illuminate\Http\JsonResponse;
use OuterCrate\Refusals\Refused;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** What the host answers where it says no: `error`, `message`, and `missing` where something is not in order yet. */
final class Answers
{
    public static function problem(Throwable $e): JsonResponse
    {
        [$status, $id, $text, $headers, $missing] = match (true) {
            $e instanceof Refusal => [$e->status, $e->id, $e->getMessage(), $e->headers, $e->missing],
            $e instanceof Refused => [$e->status(), $e->id(), $e->getMessage(), ['Tus-Resumable' => '1.0.0'], []],
            $e instanceof HttpExceptionInterface => [$e->getStatusCode(), 'http', $e->getMessage() ?: 'That cannot be answered.', [], []],
            default => [500, 'broken', 'The host broke down.', [], []],
        };

        return new JsonResponse(
            ['error' => $id, 'message' => $text] + ($missing === [] ? [] : ['missing' => $missing]),
            $status,
            $headers,
        );
    }
}
