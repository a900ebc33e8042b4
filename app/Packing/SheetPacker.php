<?php

namespace App\Packing;

use App\Desk\CutDesk;
use App\Desk\CutPieces;
use App\Desk\Surroundings;
use App\Models\Cut;
use App\Models\Run;
use Illuminate\Database\Eloquent\Collection;

/** Packs what is decided on the sheet of a cut: its columns, each of them once for every piece that the cut goes out in. */
class SheetPacker
{
    public function __construct(private readonly Packer $packer, private readonly CutDesk $desk)
    {
    }

    /**
     * @param  bool  $again  also what lies there unchanged, or is under way
     * @param  string|null  $only  key of the one column that is wanted
     * @return Collection<int, Run>
     *
     * @throws PackRefused
     */
    public function pack(Cut $cut, bool $again = false, ?string $only = null): Collection
    {
        $reading = $cut->reading();
        $outputs = array_filter($cut->outputs, fn (array $output): bool => $only === null || $output['key'] === $only);
        $pieces = CutPieces::of($cut);
        $columns = $pieces === []
            ? array_values(array_intersect_key($this->desk->sheet($cut, $reading), $outputs))
            : $this->desk->inPieces($cut, $reading, array_values($outputs), $pieces);
        // What goes out in pieces is several files of each column.
        $keys = $pieces === [] ? array_column($outputs, 'key') : [];

        return $this->packer->pack($cut, $columns, Surroundings::deliveries($cut->name), $again, $keys);
    }
}
