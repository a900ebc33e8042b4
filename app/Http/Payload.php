<?php

namespace App\Http;

use App\Schema\Contract;
use Illuminate\Http\Request;

/** A request body that met its schema. */
final class Payload
{
    /**
     * @return array<string, mixed>
     *
     * @throws InvalidPayload
     */
    public static function of(Request $request, string $schema): array
    {
        $text = $request->getContent();
        $data = json_decode($text, false, 64, JSON_BIGINT_AS_STRING);
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw new InvalidPayload([['path' => '/', 'text' => 'is not JSON: '.json_last_error_msg()]]);
        }
        $odd = self::odd($data);
        if ($odd !== null) {
            throw new InvalidPayload([$odd]);
        }
        $faults = app(Contract::class)->faults($data, $schema);
        if ($faults !== []) {
            throw new InvalidPayload($faults);
        }

        return (array) json_decode($text, true, 64, JSON_BIGINT_AS_STRING);
    }

    /**
     * What no schema says and nothing here could keep: numbers beyond 64 bits, and text with a zero byte.
     *
     * @return array{path: string, text: string}|null
     */
    private static function odd(mixed $data, string $path = ''): ?array
    {
        if (is_float($data) && abs($data) >= 2 ** 63) {
            return ['path' => $path, 'text' => 'is a number beyond 64 bits'];
        }
        if (is_string($data) && str_contains($data, "\0")) {
            return ['path' => $path, 'text' => 'has a zero byte in it'];
        }
        foreach (is_object($data) || is_array($data) ? (array) $data : [] as $key => $value) {
            $odd = str_contains((string) $key, "\0")
                ? ['path' => $path, 'text' => 'has a name with a zero byte in it']
                : self::odd($value, "{$path}/{$key}");
            if ($odd !== null) {
                return $odd;
            }
        }

        return null;
    }
}
