<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Formats\Containers\Payload;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** How large the file will be. */
final readonly class SizeEstimate
{
    /**
     * Share of its average below which pieces show that a picture does not use it up, where they could not be encoded with ample
     * to spend. Rate control takes a while to find its average, and a short piece has no time for it.
     */
    private const UNUSED = 0.5;

    /** Seconds that one pass needs to find its average, and by how many percent it may miss it in less (measured: 28 at worst). */
    public const SETTLED = 60;

    public const MARGIN_OF_SHORT_PASS = 15;

    /** Share of the frames that is all of them: a repeated one can be lost at an end. */
    private const WHOLE = 0.97;

    /**
     * @param  int  $bytes  of the whole file
     * @param  int  $marginPercent  how far off it may be
     * @param  string  $basis  what it rests on: bitrate, codec (its stated rate), cut (the same codec as the cut), content or sample
     *     (pieces were encoded)
     * @param  int  $missPercent  by how much rate control, tried on all of it, came out over (or under: negative) an average that the
     *     picture could use; 0 where that is not known
     */
    public function __construct(public int $bytes, public int $marginPercent, public string $basis, public int $missPercent = 0)
    {
    }

    /** @param  Sample|null  $sample  what a few pieces came to with these settings, once they were encoded */
    public static function of(Plan $plan, Reading $reading, ?Sample $sample = null): self
    {
        [$bitsPerSecond, $margin, $basis] = self::picture($plan, $reading, $sample);
        // Sound that is lossless or quiet comes to what it needs, too.
        $sound = $sample?->soundBytesPerSecond === null ? $plan->audio->bitsPerSecond() : 8 * $sample->soundBytesPerSecond;
        $seconds = $plan->duration->toFloat();
        $packets = $plan->audio->codec === null ? 0 : (int) ceil(($seconds * $plan->audio->sampleRate) / 1024);
        $media = (int) round((($bitsPerSecond + $sound) / 8) * $seconds);

        return new self(
            ($basis === 'sample' ? $sample?->file : null) ?? $media +
                $plan->container->container->overhead(
                    new Payload($plan->hasVideo() ? $plan->frames : 0, $packets, $plan->keyframes->isIntra(), $media, $seconds),
                ),
            $margin,
            $basis,
            self::miss($plan, $sample),
        );
    }

    /** @return array{float, int, string} bits per second of the picture, margin in percent, basis */
    private static function picture(Plan $plan, Reading $reading, ?Sample $sample): array
    {
        if (! $plan->hasVideo()) {
            return [0.0, 5, 'bitrate'];
        }
        $video = $reading->mainVideo();
        $rate = $plan->bitrate;
        // An average is a promise that rate control keeps, unless there is nothing to spend it on, or no time to find it.
        if ($sample !== null && Sampling::isWorthwhile($plan)) {
            $bits = 8 * $plan->frameRate->rate->perSecond->toFloat();
            $sampled = $sample->bytesPerFrame * $bits;
            if ($sample->frames >= self::WHOLE * $plan->frames) {
                return [$sampled, $sample->marginPercent, 'sample'];
            }
            if ($sample->ampleBytesPerFrame !== null) {
                $sampled = $sample->ampleBytesPerFrame * $bits;
            } elseif ($rate->peak !== null) {
                // A short piece starts with a full buffer, and may run above a peak that holds the whole down.
                $sampled = min($sampled, (float) $rate->peak->bitsPerSecond);
            }
            $share = $sample->ampleBytesPerFrame === null ? self::UNUSED : 1.0;
            if ($rate->average === null || $sampled < $share * $rate->average->bitsPerSecond) {
                return [$sampled, $sample->marginPercent, 'sample'];
            }
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        if ($rate->average !== null) {
            return [(float) $rate->average->bitsPerSecond, self::marginOf($plan), 'bitrate'];
        }
        $codec = $plan->video->codec;
        $cutPixels = $video === null ? 0.0 : $video->frameRate->perSecond->times($video->size->pixels())->toFloat();
        if (
            $rate->mode === BitrateMode::Codec &&
            $video !== null &&
            $video->codec === $codec->id() &&
            $video->profile === ($codec->profiles()[$plan->video->profile ?? ''] ?? null)
        ) {
            return [($reading->videoBitrate()->bitsPerSecond * $pixels) / $cutPixels, 10, 'cut'];
        }
        $own = $codec->ownRate($plan->video->profile, $plan->frameSize->frame, $plan->frameRate->rate);
        if ($own !== null) {
            return [(float) $own->bitsPerSecond, 40, 'codec'];
        }
        if ($rate->mode === BitrateMode::Lossless) {
            // Natural pictures come to about 45 % of their plain samples; grain takes more, drawings far less.
            $format = $plan->colour->pixelFormat;

            return [$pixels * $format->chroma->samplesPerPixel() * $format->bitDepth * 0.45, 50, 'content'];
        }
        $scale = $codec->quality();
        $bits = $pixels * ($scale?->bitsAt($rate->quality ?? $scale->usual) ?? 0.1);

        return [$rate->peak === null ? $bits : min($bits, (float) $rate->peak->bitsPerSecond), 60, 'content'];
    }

    /** How near rate control lands to an average, in percent. */
    private static function marginOf(Plan $plan): int
    {
        return match (true) {
            $plan->bitrate->mode !== BitrateMode::Vbr || $plan->bitrate->passes === 2 => 3,
            $plan->duration->compare(self::SETTLED) < 0 => self::MARGIN_OF_SHORT_PASS,
            default => 5,
        };
    }

    private static function miss(Plan $plan, ?Sample $sample): int
    {
        $average = $plan->bitrate->average;
        if ($sample === null || $average === null || $sample->frames < self::WHOLE * $plan->frames) {
            return 0;
        }
        $bits = 8 * $plan->frameRate->rate->perSecond->toFloat();
        $miss = (int) round(100 * ($sample->bytesPerFrame * $bits / $average->bitsPerSecond - 1));
        $couldUse = $sample->ampleBytesPerFrame === null || $sample->ampleBytesPerFrame * $bits > $average->bitsPerSecond;

        return $miss > 0 || $couldUse ? $miss : 0;
    }
}
