<?php

namespace App\Packing;

use App\Models\Cut;
use App\Models\Run;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Refusals\Refused;

/** Packs what is decided on several sheets. One that cannot be packed keeps no other from it. */
class SheetsPacker
{
    public function __construct(private readonly SheetPacker $packer)
    {
    }

    /**
     * @param  Collection<int, Cut>  $cuts
     * @return array{runs: list<Run>, refused: list<array{cut: int, name: string, message: string}>}
     */
    public function pack(Collection $cuts): array
    {
        $runs = $refused = [];
        foreach ($cuts as $cut) {
            try {
                array_push($runs, ...$this->packer->pack($cut));
            } catch (Refused $e) {
                $refused[] = ['cut' => $cut->id, 'name' => $cut->name, 'message' => $e->getMessage()];
            }
        }

        return ['runs' => $runs, 'refused' => $refused];
    }
}
