<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Units\Fraction;

final class DecideKeyframes implements Decision
{
    public function cell(): Cell
    {
        return Cell::Keyframes;
    }

    public function decide(Draft $draft): void
    {
        $rate = $draft->frameRate()->rate;
        if ($draft->picture()->codec->isIntraOnly()) {
            $draft->decide(Cell::Keyframes, new KeyframesValue(1, $rate->secondsOf(1), true, 0, false), OriginSource::Rule, $draft->picture()->codec->name());

            return;
        }
        $rule = $draft->rules->fields('keyframes');
        $asks = $draft->host?->asks;
        $seconds = $rule->fraction('seconds') ?? $asks->keyframeSeconds ?? new Fraction(2);
        if ($seconds->compare(0) <= 0 || $seconds->compare(20) > 0) {
            throw new PlanImpossible(Cell::Keyframes, "Keyframes come at least every 20 seconds and not more often than every frame, not every {$seconds} s.");
        }
        $bFrames = $rule->int('bFrames') ?? $asks->mostBFrames ?? 2;
        if ($bFrames < 0 || $bFrames > 16) {
            throw new PlanImpossible(Cell::Keyframes, "Between two reference frames stand 0 to 16 B-frames, not {$bFrames}.");
        }
        $bFrames = min($bFrames, $draft->picture()->codec->mostBFrames());
        if ($draft->picture()->profile === 'baseline') {
            $bFrames = 0; // ISO/IEC 14496-10, A.2.1: no B slices
        }
        $frames = $rule->int('frames') ?? max(1, $rate->framesIn($seconds));
        if ($frames < 1 || $frames > 1000) {
            throw new PlanImpossible(Cell::Keyframes, "A keyframe comes after 1 to 1000 frames, not after {$frames}.");
        }
        $references = $rule->int('references');
        if ($references !== null && ($references < 1 || $references > 16)) {
            throw new PlanImpossible(Cell::Keyframes, "A decoder keeps 1 to 16 reference frames, not {$references}.");
        }
        // Asked for or not, a closed GOP can be cut and served anywhere; only a rule opens it.
        $closed = $rule->bool('closed') ?? true;
        $pyramid = $rule->bool('pyramid') ?? $asks->pyramid ?? false;
        $fromHost = $draft->rules->word('keyframes') === 'host' && $asks !== null && ($asks->closedGop || $asks->keyframeSeconds !== null);
        $draft->decide(
            Cell::Keyframes,
            new KeyframesValue($frames, $rate->secondsOf($frames), $closed, $bFrames, $pyramid && $bFrames > 1, $references, $rule->bool('sceneCuts') ?? true),
            $fromHost ? OriginSource::Host : OriginSource::Preset,
            $fromHost ? 'asks '.($asks->closedGop ? 'closed' : 'open') : 'preset',
        );
    }
}
