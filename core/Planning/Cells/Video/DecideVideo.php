<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Formats\Video\HardwareEncoders;
use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\VideoValue;

/** Codec, profile and effort; the level follows when size and rate are known. */
final class DecideVideo
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('video');
        if ($draft->rules->word('video') === 'none') {
            $draft->decide(VideoCell::NAME, new VideoValue(new NoVideo, null, null, 'medium'), OriginSource::Preset, 'sound alone');

            return;
        }
        $asked = $draft->host?->asks->codecFor(self::width($draft));
        $fromHost = ! $rule->has('codec') && $asked !== null;
        $id = $rule->text('codec') ?? ($asked->codec ?? 'h264');
        $codec =
            $draft->catalogue->videoCodecs()[$id] ??
            throw new PlanImpossible(VideoCell::NAME, "The codec “{$id}” is not made here. Choose another one.");
        $profiles = $codec->profiles();
        $profile = $rule->text('profile') ?? (($fromHost ? $asked->profile ?? null : null) ?? array_key_first($profiles));
        if ($profile !== null && ! isset($profiles[$profile])) {
            throw new PlanImpossible(
                VideoCell::NAME,
                "{$codec->name()} has no profile “{$profile}”. It has: ".implode(', ', array_keys($profiles)).'.',
            );
        }
        $effort = $rule->text('effort') ?? 'medium';
        $level = $rule->text('level');
        if ($level !== null && ! in_array($level, $codec->levels(), true)) {
            throw new PlanImpossible(
                VideoCell::NAME,
                $codec->levels() === []
                    ? "{$codec->name()} has no levels."
                    : "{$codec->name()} has no level {$level}. It has: ".implode(', ', $codec->levels()).'.',
            );
        }
        $tune = $rule->text('tune');
        $value = new VideoValue(
            codec: $codec,
            profile: $profile,
            level: $level,
            effort: in_array($effort, VideoValue::EFFORTS, true) ? $effort : 'medium',
            tune: in_array($tune, VideoValue::TUNES, true) ? $tune : null,
            hardware: $rule->text('device') === 'hardware' ? HardwareEncoders::find($id, $draft->subject->hardware) : null,
        );
        $draft->decide(
            VideoCell::NAME,
            $value,
            $fromHost ? OriginSource::Host : OriginSource::Preset,
            $fromHost ? "asks {$value->name()}" : 'preset',
        );
    }

    /** Width of the frame that is made; where that depends on the codec, it is the cut's. */
    private static function width(Draft $draft): int
    {
        $rule = $draft->rules->fields('frameSize');

        return $rule->text('follow') === 'stored' || $rule->has('display')
            ? $draft->cutVideo->displaySize()->width
            : $draft->frameSize()->frame->width;
    }
}
