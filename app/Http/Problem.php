<?php

namespace App\Http;

use App\Database\Unavailable;
use App\SignIn\SignInRefused;
use App\Uploads\UploadRefused;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use OuterCrate\Refusals\Refused;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Throwable;

/** Errors as the API answers them (resources/schema/error.json). */
final class Problem
{
    public static function from(Throwable $e): JsonResponse
    {
        return match (true) {
            $e instanceof Refused => self::refused($e),
            $e instanceof AuthenticationException => self::refused(SignInRefused::unknown()),
            $e instanceof ModelNotFoundException, $e instanceof NotFoundHttpException => self::answer(
                404,
                'not-found',
                'This is not here, or no longer. Go back to the shelf.',
            ),
            ($unavailable = Unavailable::of($e)) !== null => self::refused($unavailable),
            $e instanceof HttpExceptionInterface => self::answer(
                $e->getStatusCode(),
                'http',
                $e->getMessage() ?: 'The request was refused.',
            ),
            default => self::answer(
                500,
                'fault',
                'Something broke inside Outer Crate. Your files are untouched; storage/logs says more.',
            ),
        };
    }

    private static function refused(Refused $e): JsonResponse
    {
        $answer = self::answer($e->status(), $e->id(), $e->getMessage(), array_filter([
            'file' => $e->file(),
            'kept' => $e->kept(),
            'todo' => $e->todo(),
            'faults' => $e instanceof InvalidPayload ? $e->faults : null,
        ]));
        if ($e instanceof UploadRefused) {
            $answer->withHeaders(['Tus-Resumable' => '1.0.0', 'Tus-Version' => '1.0.0']);
        }

        return $answer;
    }

    /** @param  array<string, mixed>  $more */
    public static function answer(int $status, string $id, string $message, array $more = []): JsonResponse
    {
        $options = JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE;

        return new JsonResponse(['error' => ['id' => $id, 'message' => $message] + $more], $status, [], $options);
    }
}
