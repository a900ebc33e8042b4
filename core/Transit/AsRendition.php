<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Formats\KnownCodecs;
use OuterCrate\Hosts\Asks\AudioAsk;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Role;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\FrameSize;

/** A rung of a host's ladder as an output of the upload that it is made of: what the host does is planned and made as any file is. */
final class AsRendition
{
    /** Longer side that bounds nothing. */
    private const ANY = 16_384;

    /** B-frames that codecs with such frames get: what encoders do that nobody asks for fewer. */
    private const B_FRAMES = 3;

    /** @param  AudioAsk|null  $audio  how the host codes the sound; null for the picture alone */
    public static function of(Rung $rung, FrameSize $upload, bool $hdr, ?AudioAsk $audio = null): OutputSpec
    {
        $facts = KnownCodecs::facts($rung->codec);
        $keepsHdr = $hdr && $facts->hdrRendition !== null;
        $isUpright = $upload->height > $upload->width;
        $box = $isUpright ? $rung->shorterSide.'×'.self::ANY : self::ANY.'×'.$rung->shorterSide;
        $seconds = $rung->keyframeSeconds->toFloat();

        return new OutputSpec(
            new Preset(
                slug: 'recompression',
                name: "{$rung->shorterSide} lines",
                role: Role::Upload,
                host: null,
                about: '',
                rules: new Rules([
                    'container' => ['set' => 'matroska'],
                    'video' => array_filter([
                        'codec' => $rung->codec,
                        'profile' => $keepsHdr ? $facts->hdrRendition : $facts->sdrRendition,
                        'effort' => $rung->speed,
                    ]),
                    'frameSize' => ['fit' => $box],
                    'frameRate' => 'follow',
                    'bitrate' => $rung->average === null
                        ? ['mode' => 'quality', 'quality' => $rung->quality]
                        : ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => $rung->average->bitsPerSecond / 1000]],
                    'keyframes' => [
                        'seconds' => $seconds,
                        'closed' => true,
                        'bFrames' => $rung->bFrames ?? self::B_FRAMES,
                        'pyramid' => true,
                    ],
                    'colour' => ['bitDepth' => $keepsHdr ? 10 : 8, 'chroma' => '4:2:0'] +
                        ($hdr && ! $keepsHdr ? ['convert' => 'bt709'] : []),
                    'audio' => $audio === null ? 'none' : [
                        'codec' => $audio->codec,
                        'kbps' => $audio->bitrate->bitsPerSecond / 1000,
                        'sampleRate' => $audio->sampleRate,
                        'channels' => $audio->channels,
                        'loudness' => $audio->loudness?->toFloat(),
                    ],
                ]),
            ),
            null,
            new Rules([]),
        );
    }
}
