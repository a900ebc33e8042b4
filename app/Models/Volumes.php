<?php

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * Paths as they are kept: a named volume and what lies below it, `deliveries:Night firing/upload.mp4`, so that another machine
 * finds them where it has that volume. A path outside all volumes is kept whole, after a colon without a name.
 *
 * @implements CastsAttributes<string, string>
 */
final class Volumes implements CastsAttributes
{
    public static function place(string $path): string
    {
        $best = '';
        $name = '';
        foreach (config('crate.volumes') as $volume => $root) {
            $root = rtrim($root, '/');
            if (str_starts_with($path, "{$root}/") && strlen($root) > strlen($best)) {
                [$best, $name] = [$root, $volume];
            }
        }

        return $name === '' ? ':'.KeptName::of($path) : "{$name}:".KeptName::of(substr($path, strlen($best) + 1));
    }

    /** @throws UnknownVolume when this machine has no such volume */
    public static function path(string $place): string
    {
        [$name, $below] = explode(':', $place, 2) + [1 => ''];
        $below = KeptName::read($below);
        if ($name === '') {
            return $below;
        }
        $root = config('crate.volumes')[$name] ?? throw new UnknownVolume($name);

        return rtrim($root, '/')."/{$below}";
    }

    /** A folder that others have too, and that is not there on this machine now: not mounted, or no longer. Null when all are there. */
    public static function missing(): ?string
    {
        foreach (config('crate.shared') as $root) {
            if (! is_dir($root)) {
                return $root;
            }
        }

        return null;
    }

    public function get(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::path((string) $value);
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::place((string) $value);
    }
}
