<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use InvalidArgumentException;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/**
 * Follow the cut as it is stored (its own pixel shape) or as it is displayed (square pixels), fit inside bounds without
 * enlarging, or an exact frame that the picture is fitted into, padded where its shape differs.
 */
final class DecideFrameSize implements Decision
{
    /** Shorter sides that hosts make renditions of. */
    private const SIDES = [240, 360, 480, 720, 1080, 1440, 2160, 4320];

    public function cell(): Cell
    {
        return Cell::FrameSize;
    }

    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('frameSize');
        $displayed = $draft->video->displaySize();
        $square = new Fraction(1);
        try {
            if ($rule->has('exact')) {
                $frame = FrameSize::parse((string) $rule->text('exact'));
                if ($frame->width % 2 !== 0 || $frame->height % 2 !== 0) {
                    throw new PlanImpossible(Cell::FrameSize, "{$frame} has an odd side, which 4:2:0 and 4:2:2 sampling cannot store. The nearest even size is {$frame->even()}.");
                }
                $value = match ($rule->text('shape')) {
                    'crop' => $this->cropped($displayed, $frame),
                    'stretch' => new FrameSizeValue($frame, $frame, $square, stretched: ! $this->inside($displayed, $frame)->equals($frame)),
                    default => new FrameSizeValue($frame, $this->inside($displayed, $frame), $square),
                };
                $draft->decide(Cell::FrameSize, $value, OriginSource::Preset, 'exactly');

                return;
            }
            if ($rule->has('step')) {
                $size = $this->stepped($displayed, $rule->int('step') ?? 0);
                $follows = $size->equals($displayed->even());
                $draft->decide(Cell::FrameSize, new FrameSizeValue($size, $size, $square), $follows ? OriginSource::Cut : OriginSource::Preset, $follows ? 'follows' : (($rule->int('step') ?? 0) > 0 ? 'one size up' : 'one size down'));

                return;
            }
            if ($rule->has('fit')) {
                $bounds = FrameSize::parse((string) $rule->text('fit'));
                // Bounds are meant for the longer and the shorter side: an upright cut takes them turned.
                $turned = $displayed->isUpright() !== $bounds->isUpright() ? new FrameSize($bounds->height, $bounds->width) : $bounds;
                $size = $displayed->fitInside($turned);
                $follows = $size->equals($displayed);
                $draft->decide(Cell::FrameSize, new FrameSizeValue($size, $size, $square), $follows ? OriginSource::Cut : OriginSource::Preset, $follows ? 'follows' : "inside {$turned}");

                return;
            }
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(Cell::FrameSize, $e->getMessage());
        }
        if ($rule->text('follow') === 'stored' && ($draft->video->hasSquarePixels() || $draft->picture()->codec->keepsPixelShape($draft->container()->container))) {
            [$size, $aspect] = $this->stored($draft);
            $draft->decide(Cell::FrameSize, new FrameSizeValue($size, $size, $aspect), OriginSource::Cut, 'follows');

            return;
        }
        $size = $displayed->even();
        $draft->decide(Cell::FrameSize, new FrameSizeValue($size, $size, $square), OriginSource::Cut, $draft->video->hasSquarePixels() ? 'follows' : 'follows, square pixels');
    }

    /** The picture covers the frame at its own shape; what stands over is cut off evenly. */
    private function cropped(FrameSize $picture, FrameSize $frame): FrameSizeValue
    {
        $wide = $picture->aspect()->compare($frame->aspect()) >= 0;
        $scaled = $wide
            ? new FrameSize(max($frame->width, 2 * (new Fraction($frame->height))->times($picture->aspect())->over(2)->round()), $frame->height)
            : new FrameSize($frame->width, max($frame->height, 2 * (new Fraction($frame->width))->over($picture->aspect())->over(2)->round()));

        return new FrameSizeValue($frame, $frame, new Fraction(1), $scaled->equals($frame) ? null : $scaled);
    }

    /** The next of the usual sizes, above or below, in the picture's own shape. */
    private function stepped(FrameSize $picture, int $step): FrameSize
    {
        $side = $picture->shorterSide();
        $above = array_values(array_filter(self::SIDES, static fn (int $usual): bool => $usual > $side));
        $below = array_values(array_filter(self::SIDES, static fn (int $usual): bool => $usual < $side));
        $next = $step > 0 ? $above[0] ?? null : ($step < 0 ? $below[count($below) - 1] ?? null : null);

        return $next === null ? $picture->even() : $picture->withShorterSide($next);
    }

    /** @return array{FrameSize, Fraction} frame and pixel shape as stored, turned upright as the engine decodes them */
    private function stored(Draft $draft): array
    {
        $video = $draft->video;

        return $video->rotation % 180 === 0
            ? [$video->size->even(), $video->sampleAspect]
            : [(new FrameSize($video->size->height, $video->size->width))->even(), (new Fraction(1))->over($video->sampleAspect)];
    }

    /** The picture at its own shape, as large as the frame allows; a difference of one even step is not worth a black line. */
    private function inside(FrameSize $picture, FrameSize $frame): FrameSize
    {
        $wide = $picture->aspect()->compare($frame->aspect()) >= 0;
        $side = $wide
            ? (new Fraction($frame->width))->over($picture->aspect())
            : (new Fraction($frame->height))->times($picture->aspect());
        $even = max(2, 2 * $side->over(2)->round());
        $fitted = $wide ? new FrameSize($frame->width, min($even, $frame->height)) : new FrameSize(min($even, $frame->width), $frame->height);

        return abs($fitted->width - $frame->width) <= 2 && abs($fitted->height - $frame->height) <= 2 ? $frame : $fitted;
    }
}
