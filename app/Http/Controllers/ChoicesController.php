<?php

namespace App\Http\Controllers;

use App\Engine\Capabilities;
use App\Http\Api\Operation;
use Illuminate\Http\JsonResponse;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;
use OuterCrate\Planning\Sheet\Cells;

/** The rows of the sheet, and what their editors offer (resources/schema/choices.json). */
class ChoicesController
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Cells $cells,
        private readonly Capabilities $capabilities,
    ) {
    }

    #[Operation('choices')]
    public function __invoke(): JsonResponse
    {
        $hardware = $this->capabilities->knownHardware() !== [];

        return response()->json([
            'cells' => array_values(array_map(fn (Cell $cell): array => [
                'name' => $cell->name(),
                'label' => $cell->label(),
                'choices' => array_map(fn (Choice $choice): array => $choice->toArray(), $cell->choices($this->catalogue)),
                'beside' => $this->cells->beside($cell),
                'parts' => array_map(fn (Part $part): array => $part->toArray(), $cell->parts($hardware)),
            ], $this->cells->all())),
            'codecs' => array_map($this->codec(...), $this->catalogue->videoCodecs()),
        ]);
    }

    /**
     * How a codec can be told to spend bits.
     *
     * @return array{name: string, modes: list<string>, quality: ?array{best: int, worst: int, usual: int}}
     */
    private function codec(VideoCodec $codec): array
    {
        $scale = $codec->quality();

        return [
            'name' => $codec->name(),
            'modes' => [
                ...array_map(fn (BitrateMode $mode): string => $mode->value, $codec->rateModes()),
                ...($codec->hasTwoPasses() ? ['vbr2'] : []),
            ],
            'quality' => $scale === null ? null : ['best' => $scale->best, 'worst' => $scale->worst, 'usual' => $scale->usual],
        ];
    }
}
