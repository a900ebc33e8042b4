<?php

declare(strict_types=1);

namespace OuterCrate\Store;

use OuterCrate\Presets\Role;

/** Which files must stay: the only master of its frames, a file that is still to be sent, and one that could not be made again. */
final class Keeping
{
    /**
     * @param  list<StoredFile>  $stored  all that lie there
     * @param  list<int>  $cleared  ids of those that are to go
     * @param  list<int>  $gone  ids of cuts whose own file is not there
     * @param  list<int>  $sending  ids of files that are still to be sent
     * @return array<int, string> why one of them has to stay, by id
     */
    public static function of(array $stored, array $cleared, array $gone, array $sending): array
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
            } elseif (in_array($file->id, $sending, true)) {
                $kept[$file->id] = 'It has not been sent yet. Wait until it has arrived, or stop sending it.';
            } elseif (in_array($file->cut, $gone, true)) {
                $kept[$file->id] = 'Its cut is not where it was, so that it could not be made again.';
            }
        }

        return $kept;
    }
}
