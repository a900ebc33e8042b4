<?php

namespace App\Http;

use App\Engine\EngineFailed;
use App\Library\BrokenFile;
use App\Media\FileProblem;
use App\Packing\PackRefused;
use App\Planning\UnknownName;
use App\Uploads\UploadRefused;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use OuterCrate\Reading\Unreadable;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Throwable;

/** Errors as the API answers them: a message for the person, and where in the request the fault lies. */
final class Problem
{
    public static function from(Throwable $e): JsonResponse
    {
        return match (true) {
            $e instanceof InvalidPayload => self::answer(422, 'malformed', 'The request is not in its format: '.($e->faults[0]['path'] ?? '').' '.($e->faults[0]['text'] ?? ''), ['faults' => $e->faults]),
            $e instanceof Unreadable => self::answer(422, $e->reason, $e->getMessage()),
            $e instanceof FileProblem => self::answer(422, 'file', $e->getMessage(), ['file' => $e->path]),
            $e instanceof UnknownName => self::answer(422, 'unknown-name', $e->getMessage()),
            $e instanceof PackRefused => self::answer(422, 'refused', $e->getMessage()),
            $e instanceof UploadRefused => self::answer($e->status, 'upload', $e->getMessage())->withHeaders(['Tus-Resumable' => '1.0.0', 'Tus-Version' => '1.0.0']),
            $e instanceof EngineFailed => self::answer(503, 'engine', $e->getMessage()),
            $e instanceof BrokenFile => self::answer(500, 'broken-file', $e->getMessage()),
            $e instanceof ModelNotFoundException, $e instanceof NotFoundHttpException => self::answer(404, 'not-found', 'This is not here, or no longer. Go back to the shelf.'),
            $e instanceof HttpExceptionInterface => self::answer($e->getStatusCode(), 'http', $e->getMessage() ?: 'The request was refused.'),
            default => self::answer(500, 'fault', 'Something broke inside Outer Crate. Your files are untouched; storage/logs says more.'),
        };
    }

    /** @param  array<string, mixed>  $more */
    public static function answer(int $status, string $id, string $message, array $more = []): JsonResponse
    {
        return new JsonResponse(['error' => ['id' => $id, 'message' => $message] + $more], $status, [], JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
