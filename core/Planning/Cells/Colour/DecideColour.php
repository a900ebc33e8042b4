<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\MasteringDisplay;

/**
 * Tags, sampling and depth. Tags follow the cut, or say what a rule says; a cut that says nothing is tagged by its size, as
 * players assume. A rule converts the samples to another space. HDR that the codec can carry in 8 bits only comes down to BT.709.
 */
final class DecideColour
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('colour');
        $asks = $draft->host?->asks;
        $cut = $draft->cutVideo->pixelFormat;
        $picture = $draft->video();
        $wanted = new PixelFormat(
            Chroma::tryFrom($rule->text('chroma') ?? '') ?? ($asks->colour->chroma ?? $cut->chroma),
            $rule->int('bitDepth') ?? $cut->bitDepth,
            $cut->alpha,
        );
        $stored =
            $picture->codec->pixelFormat($picture->profile, $wanted) ??
            throw new PlanImpossible(ColourCell::NAME, "{$picture->name()} cannot carry {$wanted->bitDepth}-bit {$wanted->chroma->value}.");
        $source = $this->source($draft, $rule);
        [$target, $toneMap, $converts] = $this->target($draft, $rule, $source, $stored);
        $container = $draft->container()->container;
        $tagged = $picture->codec->tags(
            $stored->chroma === Chroma::Rgb ? new Colour($target->primaries, $target->transfer, 'gbr', true) : $target,
        );
        $tagged = $container->keepsColour() && $rule->text('tag') !== 'none' ? $tagged : $tagged->untagged();
        [$mastering, $light, $awaitsLight] = $this->metadata($draft, $rule, $tagged);
        $follows = $tagged->equals($draft->cutVideo->colour) && $stored->bitDepth === $cut->bitDepth && $stored->chroma === $cut->chroma;
        [$origin, $text] = match (true) {
            $toneMap && ! $rule->has('convert') => [OriginSource::Rule, '8 bits carry no HDR'],
            $converts || $rule->has('tag') => [OriginSource::Preset, $converts ? 'converted' : 'tagged'],
            ! $container->keepsColour() => [OriginSource::Rule, "{$container->name()} keeps no tags"],
            ! $draft->cutVideo->colour->isTagged() => [OriginSource::Rule, 'cut not tagged'],
            $follows => [OriginSource::Cut, 'follows'],
            $asks?->colour->chroma === $stored->chroma => [OriginSource::Host, "asks {$stored->chroma->value}"],
            default => [OriginSource::Rule, $picture->codec->name()],
        };
        $dither = $rule->text('dither') ?? 'ordered';
        $draft->decide(
            ColourCell::NAME,
            new ColourValue(
                colour: $tagged,
                pixelFormat: $stored,
                source: $source,
                converts: $converts,
                toneMap: $toneMap,
                gamma: $this->gamma($rule),
                dither: in_array($dither, ColourValue::DITHERS, true) ? $dither : 'ordered',
                mastering: $mastering,
                light: $light,
                tag: $rule->text('tag'),
                convert: $rule->text('convert'),
                hdr10: $rule->text('hdr10') ?? 'carry',
                awaitsLight: $awaitsLight,
            ),
            $origin,
            $text,
        );
    }

    /** What the samples of the cut are taken for: what a rule says they are, what the cut says, or what players assume. */
    private function source(Draft $draft, Fields $rule): Colour
    {
        $colour = $draft->cutVideo->colour;
        $space = ColourSpace::tryFrom($rule->text('tag') ?? '');
        if ($space !== null) {
            return $space->colour($colour->fullRange);
        }
        $size = $draft->cutVideo->size;
        $assumed = ColourSpace::assumedFor($size->shorterSide(), $size->height)->colour();

        return new Colour(
            $colour->primaries ?? $assumed->primaries,
            $colour->transfer ?? $assumed->transfer,
            $colour->matrix ?? $assumed->matrix,
            $colour->fullRange,
        );
    }

    /** @return array{Colour, bool, bool} what the samples become; whether HDR is brought down; whether they are computed anew */
    private function target(Draft $draft, Fields $rule, Colour $source, PixelFormat $stored): array
    {
        $space = ColourSpace::tryFrom($rule->text('convert') ?? '');
        $fullRange = match ($rule->text('range')) {
            'full' => true,
            'limited' => false,
            default => $source->fullRange && $draft->cutVideo->pixelFormat->chroma !== Chroma::Rgb,
        };
        if ($space === null && $source->isHdr() && $stored->bitDepth < 10) {
            $space = ColourSpace::Bt709;
        }
        if ($space === null) {
            // RGB samples become those of BT.709 on their way into luma and chroma.
            $matrix = $source->matrix === 'gbr' && $stored->chroma !== Chroma::Rgb ? 'bt709' : $source->matrix;

            return [new Colour($source->primaries, $source->transfer, $matrix, $fullRange), false, false];
        }
        $target = $space->colour($fullRange);
        if ($target->isHdr() && ! $source->isHdr()) {
            throw new PlanImpossible(
                ColourCell::NAME,
                "A picture in {$source->label()} has no highlights that {$space->label()} could show. Keep it as it is, or choose BT.2020.",
            );
        }
        if ($target->isHdr() && $stored->bitDepth < 10) {
            throw new PlanImpossible(
                ColourCell::NAME,
                "{$draft->video()->name()} carries {$stored->bitDepth} bits, and HDR needs 10. Choose a profile with 10 bits.",
            );
        }
        $same = $target->showsLike(new Colour($source->primaries, $source->transfer, $source->matrix, $fullRange));

        return [$target, $source->isHdr() && ! $target->isHdr(), ! $same];
    }

    /**
     * @return array{?MasteringDisplay, ?ContentLight, bool} of a PQ picture that stays one (SMPTE ST 2086, CTA-861.3), and whether the
     *     light is still to be measured
     */
    private function metadata(Draft $draft, Fields $rule, Colour $tagged): array
    {
        $wish = $rule->text('hdr10') ?? 'carry';
        if (
            $tagged->transfer !== 'smpte2084' ||
            $wish === 'none' ||
            ! $draft->video()->codec->keepsHdrMetadata($draft->container()->container)
        ) {
            return [null, null, false];
        }
        $measured = $draft->subject->found?->light;

        $light = $wish === 'measure' ? $measured : $draft->cutVideo->contentLight ?? $measured;

        return [$draft->cutVideo->mastering, $light, $wish === 'measure' && $light === null];
    }

    private function gamma(Fields $rule): float
    {
        $gamma = $rule->float('gamma') ?? 1.0;
        if (! ColourSchema::gamma()->hold($gamma)) {
            throw new PlanImpossible(
                ColourCell::NAME,
                'Gamma lies between '.ColourSchema::gamma().", not at {$gamma}; 1 leaves it alone.",
            );
        }

        return $gamma;
    }
}
