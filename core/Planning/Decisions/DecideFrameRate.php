<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use InvalidArgumentException;
use OuterCrate\Formats\Scan;
use OuterCrate\Hosts\Asks;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Units\FrameRate;

/**
 * Frames per second and scan. A low rate is lifted by whole multiples only (15 to 30, never 15 to 24), so that every frame
 * is repeated equally often. Fields are woven for everything but a master that keeps the cut's own frames.
 */
final class DecideFrameRate implements Decision
{
    public function cell(): Cell
    {
        return Cell::FrameRate;
    }

    public function decide(Draft $draft): void
    {
        $video = $draft->video;
        $keepFields = $draft->rules->fields('frameSize')->text('follow') === 'stored' && $draft->picture()->codec->keepsFields($draft->container()->container);
        $scan = $keepFields ? $video->scan : Scan::Progressive;
        $deinterlace = $video->scan->isInterlaced() && ! $scan->isInterlaced();
        $rule = $draft->rules->fields('frameRate');
        if ($rule->has('exact')) {
            try {
                $rate = FrameRate::parse((string) $rule->text('exact'));
            } catch (InvalidArgumentException $e) {
                throw new PlanImpossible(Cell::FrameRate, $e->getMessage());
            }
            $draft->decide(Cell::FrameRate, new FrameRateValue($rate, $scan, $deinterlace, ! $rate->equals($video->frameRate) || $video->variableRate), OriginSource::Preset, 'exactly');

            return;
        }
        $asks = $draft->host?->asks;
        $rate = $asks === null ? $video->frameRate : $this->lifted($video->frameRate, $asks, $draft->frameSize()->frame->shorterSide());
        $changed = ! $rate->equals($video->frameRate);
        $draft->decide(
            Cell::FrameRate,
            new FrameRateValue($rate, $scan, $deinterlace, $changed || $video->variableRate),
            $changed ? OriginSource::Host : ($video->variableRate ? OriginSource::Rule : OriginSource::Cut),
            match (true) {
                $changed => "{$video->frameRate->label()} × ".$rate->perSecond->over($video->frameRate->perSecond)->round().', asks '.$this->asked($asks),
                $video->variableRate => 'made constant',
                $asks?->minimumRate !== null && $draft->frameSize()->frame->shorterSide() >= 720 => "follows, asks ≥ {$asks->minimumRate->label()}",
                default => 'follows',
            },
        );
    }

    private function lifted(FrameRate $rate, Asks $asks, int $shorterSide): FrameRate
    {
        $floor = $shorterSide >= 720 ? $asks->minimumRate : null;
        foreach ($asks->allowedRates as $allowed) {
            $floor = $floor === null || $floor->isAbove($allowed) ? $allowed : $floor;
        }
        if ($floor === null) {
            return $rate;
        }
        for ($times = 1; $times <= 4; $times++) {
            $candidate = new FrameRate($rate->perSecond->times($times));
            // 23.976 serves where 24 is asked, 29.97 where 30 is: NTSC rates lie 0.1 % under the whole number.
            if ($candidate->perSecond->times(1001)->over(1000)->compare($floor->perSecond) >= 0) {
                return $candidate;
            }
        }

        return $rate;
    }

    private function asked(?Asks $asks): string
    {
        $allowed = array_map(static fn (FrameRate $rate): string => $rate->label(), $asks->allowedRates ?? []);

        return $allowed === [] ? '≥ '.($asks?->minimumRate?->label() ?? '') : implode(' or ', $allowed);
    }
}
