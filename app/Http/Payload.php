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
        $data = json_decode($text, false, 64);
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw new InvalidPayload([['path' => '/', 'text' => 'is not JSON: '.json_last_error_msg()]]);
        }
        $faults = app(Contract::class)->faults($data, $schema);
        if ($faults !== []) {
            throw new InvalidPayload($faults);
        }

        return (array) json_decode($text, true, 64);
    }
}
