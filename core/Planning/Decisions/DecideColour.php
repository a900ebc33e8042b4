<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\ColourValue;

/**
 * Tags, sampling and depth. Tags follow the cut; a cut that says nothing is tagged by its size, as players assume
 * (ITU-R BT.601 up to 576 lines, BT.709 above). HDR that the codec can carry in 8 bits only is brought down to BT.709.
 */
final class DecideColour implements Decision
{
    public function cell(): Cell
    {
        return Cell::Colour;
    }

    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('colour');
        $asks = $draft->host?->asks;
        $source = $draft->video->pixelFormat;
        $wanted = new PixelFormat(
            Chroma::tryFrom($rule->text('chroma') ?? '') ?? $asks->chroma ?? $source->chroma,
            $rule->int('bitDepth') ?? $source->bitDepth,
            $source->alpha,
        );
        $picture = $draft->picture();
        $stored = $picture->codec->pixelFormat($picture->profile, $wanted)
            ?? throw new PlanImpossible(Cell::Colour, "{$picture->name()} cannot carry {$wanted->bitDepth}-bit {$wanted->chroma->value}.");
        $colour = $draft->video->colour;
        $toneMap = $colour->isHdr() && $stored->bitDepth < 10;
        $tagged = $picture->codec->tags($toneMap ? Colour::bt709() : $this->tagged($colour, $draft, $stored->chroma));
        $container = $draft->container()->container;
        $tagged = $container->keepsColour() ? $tagged : $tagged->untagged();
        $follows = $tagged->equals($colour) && $stored->bitDepth === $source->bitDepth && $stored->chroma === $source->chroma;
        [$origin, $text] = match (true) {
            $toneMap => [OriginSource::Rule, '8 bits carry no HDR'],
            ! $container->keepsColour() => [OriginSource::Rule, "{$container->name()} keeps no tags"],
            ! $colour->isTagged() => [OriginSource::Rule, 'cut not tagged'],
            $follows => [OriginSource::Cut, 'follows'],
            $asks?->chroma === $stored->chroma => [OriginSource::Host, "asks {$stored->chroma->value}"],
            default => [OriginSource::Rule, $picture->codec->name()],
        };
        $draft->decide(Cell::Colour, new ColourValue($tagged, $stored, $toneMap), $origin, $text);
    }

    private function tagged(Colour $colour, Draft $draft, Chroma $stored): Colour
    {
        if ($colour->matrix === 'gbr' && $stored !== Chroma::Rgb) {
            return new Colour($colour->primaries ?? 'bt709', $colour->transfer ?? 'bt709', 'bt709');
        }
        if ($colour->isTagged()) {
            return $colour;
        }
        $assumed = match (true) {
            $draft->video->size->shorterSide() > 576 => 'bt709',
            $draft->video->size->height === 576 => 'bt470bg',
            default => 'smpte170m',
        };

        return new Colour(
            $colour->primaries ?? $assumed,
            $colour->transfer ?? ($assumed === 'bt470bg' ? 'smpte170m' : $assumed),
            $colour->matrix ?? $assumed,
            $colour->fullRange,
        );
    }
}
