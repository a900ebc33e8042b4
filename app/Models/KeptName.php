<?php

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * Stores file names and paths in databases and JSON, which allow only UTF-8. Names with other bytes are written as file URLs (RFC 8089):
 * file:///media/caf%E9.mov. A real path never contains two slashes in a row, so the two forms cannot be confused.
 *
 * @implements CastsAttributes<string, string>
 */
final class KeptName implements CastsAttributes
{
    private const ADDRESS = 'file://';

    public static function of(string $name): string
    {
        return mb_check_encoding($name, 'UTF-8')
            ? $name
            : self::ADDRESS.implode('/', array_map(rawurlencode(...), explode('/', $name)));
    }

    public static function read(string $kept): string
    {
        return str_starts_with($kept, self::ADDRESS) ? rawurldecode(substr($kept, strlen(self::ADDRESS))) : $kept;
    }

    public function get(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::read((string) $value);
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::of((string) $value);
    }
}
