<?php

namespace App\Resources;

use OuterCrate\Pieces\Piece;
use OuterCrate\Reading\Reading;

/** Pieces of a cut as the sheet shows them (resources/schema/pieces-answer.json). */
final class PiecesResource
{
    /**
     * @param  list<Piece>  $pieces
     * @return array<string, mixed>
     */
    public static function of(array $pieces, Reading $reading): array
    {
        return ['pieces' => array_map(
            fn (Piece $piece): array => ['number' => $piece->number, 'name' => $piece->name] + RangeResource::of($piece->frames, $reading),
            $pieces,
        )];
    }
}
