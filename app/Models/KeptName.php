<?php

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * Names and paths that may be any bytes, as databases and JSON keep them: those that are no UTF-8 as an address (RFC 8089), as in
 * file:///media/caf%E9.mov. No path has two slashes in a row, so that none looks like one.
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
