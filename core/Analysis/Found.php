<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Json\Fields;
use OuterCrate\Reading\ContentLight;

/** What an analysis found in a cut, as far as settings depend on it. */
final readonly class Found
{
    /**
     * @param  FoundSound|null  $sound  of the first track as it is; null without sound
     * @param  FoundSound|null  $mix  of it mixed down to stereo without headroom; null where it has no more than two channels
     * @param  list<float>  $detail  spatial information (ITU-T P.910) by the second
     * @param  list<float>  $motion  temporal information (ITU-T P.910) by the second
     * @param  float  $darkness  share of the frames that are dark, 0 to 1
     * @param  float  $gradient  share of the picture that is a gentle gradient, 0 to 1
     * @param  float  $grain  standard deviation on a scale to 255
     * @param  ContentLight|null  $light  measured of PQ pictures
     * @param  Bars|null  $bars  around the picture; null where that was not looked at
     * @param  Scan|null  $scan  what the fields of the picture say; null where they cannot be told
     */
    public function __construct(
        public ?FoundSound $sound = null,
        public ?FoundSound $mix = null,
        public array $detail = [],
        public array $motion = [],
        public float $darkness = 0.0,
        public float $gradient = 0.0,
        public float $grain = 0.0,
        public ?ContentLight $light = null,
        public ?Scan $scan = null,
        public ?Bars $bars = null,
    ) {
    }

    /** @param  array<mixed>  $result  as an analysis tells it (resources/schema/analysis.json) */
    public static function in(array $result): self
    {
        $fields = new Fields($result);
        $light = $fields->within('light');

        return new self(
            sound: FoundSound::in($fields->within('loudness')),
            mix: FoundSound::in($fields->within('mix')),
            detail: self::numbers($fields->within('detail')),
            motion: self::numbers($fields->within('motion')),
            darkness: $fields->float('darkness') ?? 0.0,
            gradient: $fields->float('gradient') ?? 0.0,
            grain: $fields->float('grain') ?? 0.0,
            light: ContentLight::told($light->int('maxCll') ?? 0, $light->int('maxFall') ?? 0),
            scan: Scan::tryFrom($fields->text('scan') ?? ''),
            bars: $fields->has('bars') ? Bars::told($fields->within('bars')) : null,
        );
    }

    /**
     * The sound that is delivered, before its level is set; null where that has not been heard.
     *
     * @param  int  $from  channels of the cut
     * @param  int  $to  channels that are delivered
     * @param  float  $headroom  dB by which a mix is lowered
     */
    public function soundOf(int $from, int $to, float $headroom): ?FoundSound
    {
        return match (true) {
            $to === $from => $this->sound,
            $to === 2 && $from > 2 => $this->mix?->lowered($headroom),
            default => null,
        };
    }

    /** @return list<float> */
    private static function numbers(Fields $list): array
    {
        $numbers = [];
        foreach ($list->all() as $number) {
            if (is_int($number) || is_float($number)) {
                $numbers[] = (float) $number;
            }
        }

        return $numbers;
    }
}
