<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** Encoders in graphics chips. They take frames as they come from any filter; each maker names its settings differently. */
final readonly class HardwareArguments implements VideoArguments
{
    /** Effort in the words of each maker; one without words has one effort. */
    private const EFFORTS = [
        'nvenc' => ['fast' => 'p3', 'medium' => 'p5', 'slow' => 'p7'],
        'qsv' => ['fast' => 'veryfast', 'medium' => 'medium', 'slow' => 'veryslow'],
    ];

    /** The option that asks for constant quality on the codec's own scale. */
    private const QUALITY = ['nvenc' => '-cq', 'qsv' => '-global_quality', 'videotoolbox' => '-q:v', 'amf' => '-qp_i'];

    /** @param  string  $encoder  the engine's name, such as `h264_nvenc` */
    public function __construct(private string $codec, private string $encoder)
    {
    }

    public function codec(): string
    {
        return $this->codec;
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return $this->encoder;
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $maker = substr($this->encoder, (int) strrpos($this->encoder, '_') + 1);
        $effort = self::EFFORTS[$maker][$plan->video->effort] ?? null;
        $rate = $plan->bitrate;
        $peak = RateArguments::peak($rate);
        $profile = ['main', 'high', 'main10', 'baseline'];

        return [
            ...$effort === null ? [] : ['-preset', $effort],
            ...in_array($plan->video->profile, $profile, true) ? ['-profile:v', $plan->video->profile] : [],
            ...$maker === 'nvenc' ? ['-rc', $rate->mode === BitrateMode::Cbr ? 'cbr' : 'vbr'] : [],
            ...$rate->mode === BitrateMode::Quality
                ? [self::QUALITY[$maker] ?? '-q:v', (string) $rate->quality, ...$peak]
                : ['-b:v', (string) $rate->average?->bitsPerSecond, ...$peak],
            '-g',
            (string) $plan->keyframes->frames,
            '-bf',
            (string) $plan->keyframes->bFrames,
            ...$this->codec === 'hevc' && in_array($plan->container->container->id(), ['mp4', 'mov'], true) ? ['-tag:v', 'hvc1'] : [],
        ];
    }

    /** What the slowest of the chips in use manage; the first run tells how fast this one is. */
    public function usualSpeed(VideoValue $picture): int
    {
        return 150_000_000;
    }
}
