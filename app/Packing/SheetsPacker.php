<?php

namespace App\Packing;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Models\Cut;
use App\Models\Run;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Refusals\Refused;

/** Packs what is decided on several sheets. One that cannot be packed keeps no other from it. */
class SheetsPacker
{
    public function __construct(private readonly Packer $packer, private readonly CutDesk $desk)
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
                $columns = $this->desk->sheet($cut, $cut->reading());
                $keys = array_column($cut->outputs, 'key');
                array_push($runs, ...$this->packer->pack($cut, $columns, Surroundings::deliveries($cut->name), false, $keys));
            } catch (Refused $e) {
                $refused[] = ['cut' => $cut->id, 'name' => $cut->name, 'message' => $e->getMessage()];
            }
        }

        return ['runs' => $runs, 'refused' => $refused];
    }
}
