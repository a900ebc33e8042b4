<?php

namespace App\Retention;

use App\Media\Bin;
use App\Media\StepStore;
use App\Media\Workspace;
use OuterCrate\Store\Aged;

/** Cached frames of cuts and steps of transit tests. Outer Crate recreates them on demand. */
final class DerivedFiles implements Retained
{
    public function name(): string
    {
        return 'derived';
    }

    public function items(): array
    {
        $now = time();
        $items = [];
        foreach ([...Workspace::pictures(), ...(new StepStore)->files()] as $path) {
            // Another process may delete it meanwhile.
            $written = @filemtime($path);
            if ($written !== false) {
                $items[] = new Aged($path, max(0, $now - $written), (int) @filesize($path));
            }
        }

        return $items;
    }

    public function delete(array $ids): void
    {
        array_map(Bin::delete(...), $ids);
    }
}
