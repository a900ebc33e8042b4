<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Keyframes;

use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Units\Fraction;

final class DecideKeyframes
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $rate = $draft->frameRate()->rate;
        if ($draft->video()->codec->isIntraOnly()) {
            $draft->decide(
                KeyframesCell::NAME,
                new KeyframesValue(1, $rate->secondsOf(1), true, 0, false),
                OriginSource::Rule,
                $draft->video()->codec->name(),
            );

            return;
        }
        $rule = $draft->rules->fields('keyframes');
        $asks = $draft->host?->asks->keyframes;
        $seconds = $rule->fraction('seconds') ?? ($asks->seconds ?? new Fraction(2));
        if (! KeyframesSchema::seconds()->hold($seconds->toFloat())) {
            throw new PlanImpossible(
                KeyframesCell::NAME,
                'From one keyframe to the next go '.KeyframesSchema::seconds()." s, not {$seconds->toFloat()} s.",
            );
        }
        $bFrames = $rule->int('bFrames') ?? ($asks->mostBFrames ?? 2);
        if (! KeyframesSchema::bFrames()->hold($bFrames)) {
            throw new PlanImpossible(
                KeyframesCell::NAME,
                'Between two reference frames stand '.KeyframesSchema::bFrames()." B-frames, not {$bFrames}.",
            );
        }
        $bFrames = min($bFrames, $draft->video()->codec->mostBFrames());
        if ($draft->video()->profile === 'baseline') {
            $bFrames = 0; // ISO/IEC 14496-10, A.2.1: no B slices
        }
        $frames = $rule->int('frames') ?? max(1, min((int) KeyframesSchema::frames()->most, $rate->framesIn($seconds)));
        if (! KeyframesSchema::frames()->hold($frames)) {
            throw new PlanImpossible(
                KeyframesCell::NAME,
                'A keyframe comes after '.KeyframesSchema::frames()." frames, not after {$frames}.",
            );
        }
        $references = $rule->int('references');
        if ($references !== null && ! KeyframesSchema::references()->hold($references)) {
            throw new PlanImpossible(
                KeyframesCell::NAME,
                'A decoder keeps '.KeyframesSchema::references()." reference frames, not {$references}.",
            );
        }
        // Asked for or not, a closed GOP can be cut and served anywhere; only a rule opens it.
        $closed = $rule->bool('closed') ?? true;
        $pyramid = $rule->bool('pyramid') ?? ($asks->pyramid ?? false);
        $fromHost = $draft->rules->word('keyframes') === 'host' && $asks !== null && $asks->saysWhere();
        $draft->decide(
            KeyframesCell::NAME,
            new KeyframesValue(
                frames: $frames,
                seconds: $rate->secondsOf($frames),
                closed: $closed,
                bFrames: $bFrames,
                pyramid: $pyramid && $bFrames > 1,
                references: $references,
                sceneCuts: $rule->bool('sceneCuts') ?? true,
            ),
            $fromHost ? OriginSource::Host : OriginSource::Preset,
            $fromHost ? 'asks '.($asks->closed ? 'closed' : 'open') : 'preset',
        );
    }
}
