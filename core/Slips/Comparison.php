<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Sheet\Cells;

/** Holds a finished file against its plan, cell by cell. */
final readonly class Comparison
{
    public function __construct(private Cells $cells)
    {
    }

    /**
     * @param  array<mixed>  $plan  the plan (resources/schema/plan.json)
     * @return list<Difference>
     */
    public function differences(array $plan, Made $made): array
    {
        $values = (new Fields($plan))->within('values');
        $hasVideo = self::hasVideo($values);
        $differences = [];
        foreach ($this->cells->all() as $name => $cell) {
            if ($hasVideo || ! $cell->isOfPicture()) {
                array_push($differences, ...$cell->differences($values->within($name), $made));
            }
        }

        return $differences;
    }

    /**
     * What the file has, in the words of the sheet.
     *
     * @param  array<mixed>  $plan
     * @return array<string, string> by cell
     */
    public function found(array $plan, Made $made): array
    {
        $values = (new Fields($plan))->within('values');
        $hasVideo = self::hasVideo($values);
        $found = [];
        foreach ($this->cells->all() as $name => $cell) {
            $found[$name] = $hasVideo || ! $cell->isOfPicture() ? $cell->ofMade($made, $values->within($name)) : '–';
        }

        return $found;
    }

    private static function hasVideo(Fields $values): bool
    {
        return $values->within(VideoCell::NAME)->text('codec') !== NoVideo::ID;
    }
}
