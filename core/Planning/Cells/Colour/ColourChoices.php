<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;

/** What is usually done with colour, and every part of it. */
final class ColourChoices
{
    /** @return list<Choice> */
    public static function all(): array
    {
        $usual = ['convert' => 'bt709', 'bitDepth' => 8, 'chroma' => '4:2:0'];

        return [
            new Choice('Follow', 'Tags, bits and chroma of the cut, as far as the codec keeps them', 'follow'),
            new Choice('As the host asks', 'Its chroma; bits as the codec keeps them', 'host'),
            new Choice('BT.709, 8-bit 4:2:0', 'What every screen shows; HDR comes down', $usual),
            new Choice('BT.709 with fine gradients', 'The same, the error diffused', $usual + ['dither' => 'error-diffusion']),
        ];
    }

    /** @return list<Part> */
    public static function parts(): array
    {
        $spaces = [];
        foreach (ColourSpace::cases() as $space) {
            $spaces[$space->label()] = $space->value;
        }
        $depths = ['As the codec' => null];
        foreach (ColourSchema::DEPTHS as $depth) {
            $depths["{$depth}-bit"] = $depth;
        }

        return [
            Part::options('tag', 'Samples are', ['As the cut says' => null] + $spaces + ['Untagged' => 'none']),
            Part::options('convert', 'Convert to', ['No' => null] + $spaces),
            Part::options('range', 'Range', ['As it is' => null, 'Limited' => 'limited', 'Full' => 'full']),
            Part::options('bitDepth', 'Bits', $depths),
            Part::options('chroma', 'Chroma', ['As the codec' => null] + array_combine(ColourSchema::CHROMAS, ColourSchema::CHROMAS)),
            Part::options('dither', 'Dither', [
                'Ordered' => 'ordered',
                'Diffused' => ['error-diffusion', 'Finest gradients'],
                'None' => 'none',
            ]),
            Part::number('gamma', 'Gamma', '', ColourSchema::gamma(), '1 leaves it alone; above lifts the middle'),
            Part::options('hdr10', 'HDR10 metadata', [
                'Carry' => ['carry', 'As the cut has it'],
                'Measure' => ['measure', 'Content light from the picture'],
                'None' => 'none',
            ]),
        ];
    }
}
