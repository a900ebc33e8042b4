<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Measures\GreyPicture;

/**
 * Looks for the one of a file's pictures that is least like the frame of the cut that is due there: what comes out black, of another
 * cut, or at another place does not pass.
 */
final class Sameness
{
    /** Pictures that are looked at, from the first to the last. */
    public const PICTURES = 24;

    public int $looked = 0;

    public ?float $least = null;

    public ?int $at = null;

    /**
     * @param  int  $frames  of the file
     * @return list<int> those that are looked at
     */
    public static function places(int $frames): array
    {
        $count = min(self::PICTURES, $frames);

        return array_map(static fn (int $i): int => $count < 2 ? 0 : intdiv($i * ($frames - 1), $count - 1), range(0, max(0, $count - 1)));
    }

    /** @param  list<GreyPicture>  $due  frames of the cut that may be shown there */
    public function look(int $frame, GreyPicture $made, array $due): void
    {
        $alike = array_map(static fn (GreyPicture $picture): ?float => $picture->structureIn($made), $due);
        if ($alike === [] || in_array(null, $alike, true)) {
            // One of them may be flat, and shown: black before the first scene, most of all.
            return;
        }
        $this->looked++;
        $most = max($alike);
        if ($this->least === null || $most < $this->least) {
            [$this->least, $this->at] = [$most, $frame];
        }
    }
}
