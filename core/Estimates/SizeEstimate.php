<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Formats\Containers\Payload;
use OuterCrate\Formats\RateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** How large the file will be. */
final readonly class SizeEstimate
{
    /**
     * @param  int  $bytes  of the whole file
     * @param  int  $marginPercent  how far off it may be
     * @param  string  $basis  what it rests on: rate, codec (its stated rate), cut (the same codec as the cut) or content
     */
    private function __construct(public int $bytes, public int $marginPercent, public string $basis)
    {
    }

    public static function of(Plan $plan, Reading $reading): self
    {
        [$bitsPerSecond, $margin, $basis] = self::picture($plan, $reading);
        $sound = $plan->sound->bitsPerSecond();
        $seconds = $plan->duration->toFloat();
        $packets = $plan->sound->codec === null ? 0 : (int) ceil($seconds * $plan->sound->sampleRate / 1024);
        $media = (int) round(($bitsPerSecond + $sound) / 8 * $seconds);

        return new self($media + $plan->container->container->overhead(new Payload($plan->frames, $packets, $plan->keyframes->isIntra(), $media, $seconds)), $margin, $basis);
    }

    /** @return array{float, int, string} bits per second of the picture, margin in percent, basis */
    private static function picture(Plan $plan, Reading $reading): array
    {
        $video = $reading->mainVideo();
        $rate = $plan->rate;
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        if ($rate->average !== null) {
            return [(float) $rate->average->bitsPerSecond, 3, 'rate'];
        }
        $codec = $plan->picture->codec;
        $cutPixels = $video === null ? 0.0 : $video->frameRate->perSecond->times($video->size->pixels())->toFloat();
        if ($rate->mode === RateMode::Codec && $video !== null && $video->codec === $codec->id() && $video->profile === ($codec->profiles()[$plan->picture->profile ?? ''] ?? null)) {
            return [$reading->videoBitrate()->bitsPerSecond * $pixels / $cutPixels, 10, 'cut'];
        }
        $own = $codec->ownRate($plan->picture->profile, $plan->frameSize->frame, $plan->frameRate->rate);
        if ($own !== null) {
            return [(float) $own->bitsPerSecond, 40, 'codec'];
        }
        if ($rate->mode === RateMode::Lossless) {
            // Natural pictures come to about 45 % of their plain samples; grain takes more, drawings far less.
            $format = $plan->colour->pixelFormat;

            return [$pixels * $format->chroma->samplesPerPixel() * $format->bitDepth * 0.45, 50, 'content'];
        }
        $scale = $codec->quality();
        $bits = $pixels * ($scale?->bitsAt($rate->quality ?? $scale->usual) ?? 0.1);

        return [$rate->peak === null ? $bits : min($bits, (float) $rate->peak->bitsPerSecond), 60, 'content'];
    }
}
