<?php

namespace App\Shelf;

use App\Desk\Keeper;
use App\Library\Ranking;
use App\Models\Cut;

/** What the sheet of a new cut begins with: a column for each default of a role or a host. */
class Beginnings
{
    public function __construct(private readonly Ranking $ranking, private readonly Keeper $keeper)
    {
    }

    /** @return list<array<string, mixed>> a default whose preset or host is not there begins nothing */
    public function outputs(): array
    {
        $outputs = [];
        foreach ($this->ranking->defaults() as $for => $preset) {
            $host = explode('@', $for)[1] ?? null;
            $output = ['key' => (string) (count($outputs) + 1), 'preset' => $preset, 'host' => $host, 'edits' => []];
            $kept = $this->keeper->keep(new Cut(['outputs' => []]), $output);
            if (isset($kept['kept']) && ($host === null || isset($kept['hostVersion']))) {
                $outputs[] = $kept;
            }
        }

        return $outputs;
    }
}
