<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\Fitting;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\FrameWindow;

/**
 * Follow the cut as it is stored (its own pixel shape) or as it is displayed (square pixels), fit inside bounds without
 * enlarging, or an exact frame that the picture is fitted into, padded where its shape differs.
 */
final class DecideFrameSize
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $window = $this->window($draft);
        $this->decideSize($draft, $window?->size);
        $draft->refine(FrameSizeCell::NAME, $draft->frameSize()->through($window)->cuttingOff($this->edge($draft, $window)));
        $draft->refine(FrameSizeCell::NAME, $draft->frameSize()->projected($this->projection($draft)));
    }

    /** What the cut's black bars leave of it, where they are to be left out and were found. */
    private function window(Draft $draft): ?FrameWindow
    {
        return $draft->rules->fields('frameSize')->text('bars') === 'trim'
            ? $draft->subject->found?->bars?->inside($draft->cutVideo->uprightSize())
            : null;
    }

    /**
     * What is left of the picture where pixels follow the cut as they are stored and one of its sides is odd: a column or a row is
     * cut off, and nothing is drawn anew.
     */
    private function edge(Draft $draft, ?FrameWindow $window): ?FrameWindow
    {
        $frame = $draft->frameSize()->frame;
        $whole = $window->size ?? $draft->cutVideo->uprightSize();
        $isOdd = ! $whole->equals($frame) && $whole->even()->equals($frame);

        return $isOdd && $this->followsStored($draft) ? new FrameWindow($window->left ?? 0, $window->top ?? 0, $frame) : null;
    }

    /** @param  FrameSize|null  $part  of the cut's upright picture; null for all of it */
    private function decideSize(Draft $draft, ?FrameSize $part): void
    {
        $rule = $draft->rules->fields('frameSize');
        $displayed = $draft->cutVideo->displaySize($part);
        $square = new Fraction(1);
        try {
            if ($rule->has('exact')) {
                $frame = FrameSize::parse((string) $rule->text('exact'));
                if ($frame->width % 2 !== 0 || $frame->height % 2 !== 0) {
                    throw new PlanImpossible(
                        FrameSizeCell::NAME,
                        "{$frame} has an odd side, which 4:2:0 and 4:2:2 sampling cannot store. The nearest even size is {$frame->even()}.",
                    );
                }
                $value = $rule->has('display')
                    ? $this->shown($draft, $draft->cutVideo->displayAspect($part), $frame, (string) $rule->text('display'))
                    : match ($rule->text('shape')) {
                        'crop' => $this->cropped(Fitting::covering($displayed->aspect(), $frame), $frame),
                        'stretch' => new FrameSizeValue(
                            $frame,
                            $frame,
                            $square,
                            stretched: ! Fitting::inside($displayed->aspect(), $frame)->equals($frame),
                        ),
                        default => new FrameSizeValue($frame, Fitting::inside($displayed->aspect(), $frame), $square),
                    };
                $draft->decide(FrameSizeCell::NAME, $value, OriginSource::Preset, 'exactly');

                return;
            }
            if ($rule->has('step')) {
                $size = UsualSizes::next($displayed, $rule->int('step') ?? 0);
                $follows = $size->equals($displayed->even());
                $draft->decide(
                    FrameSizeCell::NAME,
                    new FrameSizeValue($size, $size, $square),
                    $follows ? OriginSource::Cut : OriginSource::Preset,
                    $follows ? 'follows' : (($rule->int('step') ?? 0) > 0 ? 'one size up' : 'one size down'),
                );

                return;
            }
            if ($rule->has('fit')) {
                $bounds = FrameSize::parse((string) $rule->text('fit'));
                // Bounds are meant for the longer and the shorter side: an upright cut takes them turned.
                $turned = $displayed->isUpright() !== $bounds->isUpright() ? new FrameSize($bounds->height, $bounds->width) : $bounds;
                $size = $displayed->fitInside($turned);
                $follows = $size->equals($displayed);
                $draft->decide(
                    FrameSizeCell::NAME,
                    new FrameSizeValue($size, $size, $square),
                    $follows ? OriginSource::Cut : OriginSource::Preset,
                    $follows ? 'follows' : "inside {$turned}",
                );

                return;
            }
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(FrameSizeCell::NAME, $e->getMessage());
        }
        if ($this->followsStored($draft)) {
            [$size, $aspect] = $this->stored($draft, $part);
            $draft->decide(FrameSizeCell::NAME, new FrameSizeValue($size, $size, $aspect), OriginSource::Cut, 'follows');

            return;
        }
        $size = $displayed->even();
        $draft->decide(
            FrameSizeCell::NAME,
            new FrameSizeValue($size, $size, $square),
            OriginSource::Cut,
            $draft->cutVideo->hasSquarePixels() ? 'follows' : 'follows, square pixels',
        );
    }

    /** A cut that is tagged stays tagged as long as its frame is shown whole; a rule can tag one that is not. */
    private function projection(Draft $draft): ?string
    {
        $wish = $draft->rules->fields('frameSize')->text('projection');
        $size = $draft->frameSize();
        $whole = ! $size->isPadded() && $size->scaled === null && ! $size->stretched && $size->window === null;

        return match (true) {
            $wish === 'none' => null,
            $wish !== null => $wish,
            default => $whole ? $draft->cutVideo->projection : null,
        };
    }

    /**
     * A frame that is shown at another shape than its pixels have, as discs hold it: the picture is fitted in as it is shown.
     *
     * @param  Fraction  $aspect  of the picture as it is shown
     * @param  string  $display  `4:3`, `16:9` or `nearest` of both
     */
    private function shown(Draft $draft, Fraction $aspect, FrameSize $frame, string $display): FrameSizeValue
    {
        if (! $draft->video()->codec->keepsPixelShape($draft->container()->container)) {
            throw new PlanImpossible(
                FrameSizeCell::NAME,
                "{$draft->video()->codec->name()} in {$draft->container()->container->name()} cannot say that a frame is shown at "
                    ."{$display}. Choose another codec, or square pixels.",
            );
        }
        // Half-way between 4:3 and 16:9 in width.
        $wide = $display === '16:9' || ($display === 'nearest' && $aspect->compare(new Fraction(14, 9)) > 0);
        $shown = $wide ? new Fraction(16, 9) : new Fraction(4, 3);
        $pixel = $shown->over($frame->aspect());
        $picture = Fitting::inside($aspect->over($pixel), $frame);

        return new FrameSizeValue($frame, $picture, $pixel);
    }

    /** @param  FrameSize  $covering  the picture, larger than the frame in one direction */
    private function cropped(FrameSize $covering, FrameSize $frame): FrameSizeValue
    {
        return new FrameSizeValue($frame, $frame, new Fraction(1), $covering->equals($frame) ? null : $covering);
    }

    /** Pixels stay those of the cut. */
    private function followsStored(Draft $draft): bool
    {
        return $draft->rules->fields('frameSize')->text('follow') === 'stored'
            && ($draft->cutVideo->hasSquarePixels() || $draft->video()->codec->keepsPixelShape($draft->container()->container));
    }

    /** Both sides even where chroma is stored for pairs of pixels, or where an encoder wants them so. */
    private function storable(Draft $draft, FrameSize $size): FrameSize
    {
        $takesAny = in_array(BitrateMode::Lossless, $draft->video()->codec->rateModes(), true);

        return $takesAny && ! $draft->colour()->pixelFormat->chroma->pairsPixels() ? $size : $size->even();
    }

    /** @return array{FrameSize, Fraction} frame and pixel shape as stored, turned upright as the engine decodes them */
    private function stored(Draft $draft, ?FrameSize $part): array
    {
        $video = $draft->cutVideo;

        return [
            $this->storable($draft, $part ?? $video->uprightSize()),
            $video->rotation % 180 === 0 ? $video->sampleAspect : (new Fraction(1))->over($video->sampleAspect),
        ];
    }
}
