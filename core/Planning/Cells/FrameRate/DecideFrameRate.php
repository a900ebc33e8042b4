<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Hosts\Asks\FrameRateAsk;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\FieldMethod;
use OuterCrate\Planning\Values\FrameRateMethod;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Units\FrameRate;

/**
 * Frames per second and scan. A low rate is lifted by whole multiples only (15 to 30, never 15 to 24), so that every frame
 * is repeated equally often. Fields are made into frames for everything but a file that keeps them.
 */
final class DecideFrameRate
{
    /** Tape that noisy (standard deviation on a scale to 255) gains more by averaging its fields than it loses … */
    private const NOISY = 4.0;

    /** … as long as it hardly moves (temporal information, ITU-T P.910). */
    private const CALM = 8.0;

    private const MOST_SD_LINES = 576;

    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $video = $draft->cutVideo;
        $rule = $draft->rules->fields('frameRate');
        [$scan, $fields] = $this->scan($draft, $rule);
        $by = FrameRateMethod::tryFrom($rule->text('by') ?? '') ?? FrameRateMethod::Repeat;
        [$rate, $source, $text] = $this->rate($draft, $rule);
        $draft->decide(
            FrameRateCell::NAME,
            new FrameRateValue(
                rate: $rate,
                scan: $scan,
                fields: $fields,
                convert: ! $rate->equals($video->frameRate) || ! $video->isEven(),
                by: $by,
                source: $this->source($draft, $rule),
            ),
            $source,
            $text,
        );
    }

    /** @return array{FrameRate, OriginSource, string} */
    private function rate(Draft $draft, Fields $rule): array
    {
        $video = $draft->cutVideo;
        $own = $video->frameRate;
        try {
            if ($rule->has('exact')) {
                return [FrameRate::parse((string) $rule->text('exact')), OriginSource::Preset, 'exactly'];
            }
            $least = $rule->has('atLeast') ? FrameRate::parse((string) $rule->text('atLeast')) : null;
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(FrameRateCell::NAME, $e->getMessage());
        }
        if ($rule->bool('halve') === true) {
            return [new FrameRate($own->perSecond->over(2)), OriginSource::Preset, "half of {$own->label()}"];
        }
        if ($least !== null) {
            $rate = $this->lifted($own, $least);

            return [
                $rate,
                $rate->equals($own) ? OriginSource::Cut : OriginSource::Preset,
                $rate->equals($own)
                    ? "follows, at least {$least->label()}"
                    : "{$own->label()} × ".$rate->perSecond->over($own->perSecond)->round().", at least {$least->label()}",
            ];
        }
        $asks = $draft->host?->asks;
        $side = $draft->frameSize()->frame->shorterSide();
        $floor = $asks?->frameRate->floor($side);
        $rate = $floor === null ? $own : $this->lifted($own, $floor);
        $changed = ! $rate->equals($own);

        return [
            $rate,
            $changed ? OriginSource::Host : ($video->variableRate ? OriginSource::Rule : OriginSource::Cut),
            match (true) {
                $changed => "{$own->label()} × ".
                    $rate->perSecond->over($own->perSecond)->round().
                    ", asks {$asks?->frameRate->wordsFor($side)}",
                $video->variableRate => 'made constant',
                $asks?->frameRate->minimum !== null && $side >= FrameRateAsk::HD => "follows, asks ≥ {$asks->frameRate->minimum->label()}",
                default => 'follows',
            },
        ];
    }

    /** What the file says, unless a rule knows better. */
    private function source(Draft $draft, Fields $rule): Scan
    {
        return Scan::tryFrom($rule->text('source') ?? '') ?? $draft->cutVideo->scan;
    }

    /** @return array{Scan, ?FieldMethod} */
    private function scan(Draft $draft, Fields $rule): array
    {
        $source = $this->source($draft, $rule);
        if (! $source->isInterlaced()) {
            return [Scan::Progressive, null];
        }
        $wish = $rule->text('fields');
        $stored = $wish === null && $draft->rules->fields('frameSize')->text('follow') === 'stored';
        // A master keeps the cut's own fields; codecs that build frames upon others only where they are told to.
        $able = $draft->video()->codec->keepsFields($draft->container()->container);
        if ($able && ($wish === 'keep' || ($stored && $draft->video()->codec->isIntraOnly()))) {
            return [$source, null];
        }

        return [Scan::Progressive, FieldMethod::tryFrom($wish ?? '') ?? $this->usual($draft)];
    }

    /** Interpolating keeps the lines; on standard-definition tape that is noisy and calm, blending takes half of the noise away. */
    private function usual(Draft $draft): FieldMethod
    {
        $found = $draft->subject->found;
        $motion = $found === null || $found->motion === [] ? null : array_sum($found->motion) / count($found->motion);

        return $motion !== null &&
            $draft->cutVideo->size->shorterSide() <= self::MOST_SD_LINES &&
            $found->grain >= self::NOISY &&
            $motion <= self::CALM
            ? FieldMethod::Blend
            : FieldMethod::Interpolate;
    }

    private function lifted(FrameRate $rate, FrameRate $floor): FrameRate
    {
        for ($times = 1; $times <= 4; $times++) {
            $candidate = new FrameRate($rate->perSecond->times($times));
            if ($candidate->serves($floor)) {
                return $candidate;
            }
        }

        return $rate;
    }
}
