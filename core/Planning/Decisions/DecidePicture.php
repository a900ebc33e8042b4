<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Encoding\Video\HardwareArguments;
use OuterCrate\Formats\Video\NoPicture;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\PictureValue;

/** Codec, profile and effort; the level follows when size and rate are known. */
final class DecidePicture implements Decision
{
    public function cell(): Cell
    {
        return Cell::Picture;
    }

    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('picture');
        if ($draft->rules->word('picture') === 'none') {
            $draft->decide(Cell::Picture, new PictureValue(new NoPicture, null, null, 'medium'), OriginSource::Preset, 'sound alone');

            return;
        }
        $asked = $draft->host?->asks->codecFor($draft->video->displaySize()->width);
        $fromHost = ! $rule->has('codec') && $asked !== null;
        $id = $rule->text('codec') ?? $asked['codec'] ?? 'h264';
        $codec = $draft->catalogue->videoCodecs()[$id] ?? throw new PlanImpossible(Cell::Picture, "The codec “{$id}” is not made here. Choose another one.");
        $profiles = $codec->profiles();
        $profile = $rule->text('profile') ?? ($fromHost ? $asked['profile'] ?? null : null) ?? array_key_first($profiles);
        if ($profile !== null && ! isset($profiles[$profile])) {
            throw new PlanImpossible(Cell::Picture, "{$codec->name()} has no profile “{$profile}”. It has: ".implode(', ', array_keys($profiles)).'.');
        }
        $effort = $rule->text('effort') ?? 'medium';
        $level = $rule->text('level');
        if ($level !== null && ! in_array($level, $codec->levels(), true)) {
            throw new PlanImpossible(Cell::Picture, $codec->levels() === [] ? "{$codec->name()} has no levels." : "{$codec->name()} has no level {$level}. It has: ".implode(', ', $codec->levels()).'.');
        }
        $tune = $rule->text('tune');
        $value = new PictureValue($codec, $profile, $level, in_array($effort, PictureValue::EFFORTS, true) ? $effort : 'medium', in_array($tune, PictureValue::TUNES, true) ? $tune : null, $rule->text('device') === 'hardware' ? HardwareArguments::find($id, $draft->subject->hardware) : null);
        $draft->decide(Cell::Picture, $value, $fromHost ? OriginSource::Host : OriginSource::Preset, $fromHost ? "asks {$value->name()}" : 'preset');
    }
}
