<?php

namespace App\Packing;

use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;

/** Names of packed files: `{cut} {role or host}`, safe on every system. */
final class FileName
{
    /** Told apart within a pack by the preset's name where role and host are the same. */
    public static function of(string $cut, Plan $plan, bool $withPreset): string
    {
        $role = $plan->spec->preset->role;
        $what = $role === Role::Upload ? $plan->spec->host->name ?? 'upload' : $role->value;
        $name = self::safe("{$cut} {$what}".($withPreset ? " {$plan->spec->preset->name}" : ''));

        return "{$name}.{$plan->container->container->extension()}";
    }

    /** Leaves out what any common file system forbids, and keeps within 180 bytes. */
    public static function safe(string $name): string
    {
        $plain = (string) preg_replace(['~[\x00-\x1F\x7F/\\\\:*?"<>|]+~u', '~\s+~u'], ['-', ' '], mb_scrub($name));

        return trim(mb_strcut(trim($plain, ' .'), 0, 180), ' .') ?: 'untitled';
    }
}
