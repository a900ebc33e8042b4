<?php

namespace App\Desk;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\Workspace;
use App\Models\Cut;
use OuterCrate\Encoding\Commands\ShotsCommand;
use OuterCrate\Pieces\NoPieces;
use OuterCrate\Pieces\Piece;
use OuterCrate\Pieces\PieceList;
use OuterCrate\Pieces\Pieces;
use OuterCrate\Units\FrameRange;

/** The pieces that a cut goes out in: by marks, by a list, or by its shots. */
class CutPieces
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /** @return list<Piece> none where it goes out in one file */
    public static function of(Cut $cut): array
    {
        $spans = array_map(
            fn (array $piece): array => [new FrameRange($piece['first'], $piece['last']), $piece['name']],
            $cut->pieces ?? [],
        );

        return $spans === [] ? [] : Pieces::spans($cut->range($cut->reading()), $spans);
    }

    /**
     * @param  array<int, string>  $points  names by the frame that a piece begins with
     * @return list<Piece> none where all of it is one
     *
     * @throws NoPieces
     */
    public function at(Cut $cut, array $points): array
    {
        $pieces = Pieces::at($cut->range($cut->reading()), $points);

        return count($pieces) === 1 ? [] : $pieces;
    }

    /**
     * @return non-empty-list<Piece>
     *
     * @throws NoPieces
     */
    public function inList(Cut $cut, string $text): array
    {
        $reading = $cut->reading();

        return (new PieceList($reading->timecode(0), $cut->range($reading)))->read($text);
    }

    /**
     * @return list<Piece> none where there is one shot
     *
     * @throws NoPieces
     * @throws EngineFailed
     */
    public function byShots(Cut $cut): array
    {
        $proxy = Workspace::ofCut($cut->id)->proxy();
        $points = [];
        // Smaller, and of the same frames.
        $this->runner->lines(ShotsCommand::of(is_file($proxy) ? $proxy : $cut->path), function (string $line) use (&$points): void {
            $frame = ShotsCommand::frameIn($line);
            $frame === null ?: $points[$frame] = '';
        });

        return $this->at($cut, $points);
    }

    /**
     * The cut goes out in these from now on.
     *
     * @param  list<Piece>  $pieces  none for one file
     */
    public function keep(Cut $cut, array $pieces): void
    {
        $cut->update(['pieces' => $pieces === [] ? null : array_map(fn (Piece $piece): array => [
            'first' => $piece->frames->first, 'last' => $piece->frames->last, 'name' => $piece->name,
        ], $pieces)]);
    }
}
