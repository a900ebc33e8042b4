<?php

declare(strict_types=1);

namespace OuterCrate\Store;

use OuterCrate\Presets\Role;

/** Which files have to stay: a master while no other holds its frames, and what could not be made again. */
final class Keeping
{
    /**
     * @param  list<StoredFile>  $stored  all that lie there
     * @param  list<int>  $cleared  ids of those that are to go
     * @param  list<int>  $gone  ids of cuts whose own file is not there
     * @return array<int, string> why one of them has to stay, by id
     */
    public static function of(array $stored, array $cleared, array $gone): array
    {
        $masters = array_filter(
            $stored,
            static fn (StoredFile $file): bool => $file->role === Role::Master && ! in_array($file->id, $cleared, true),
        );
        $kept = [];
        foreach ($stored as $file) {
            if (! in_array($file->id, $cleared, true)) {
                continue;
            }
            $stands = array_filter(
                $masters,
                static fn (StoredFile $other): bool => $other->cut === $file->cut && $other->frames->contains($file->frames),
            );
            if ($file->role === Role::Master && $stands === []) {
                $kept[$file->id] = 'It is the only master of these frames.';
            } elseif (in_array($file->cut, $gone, true)) {
                $kept[$file->id] = 'Its cut is not where it was, so that it could not be made again.';
            }
        }

        return $kept;
    }
}
