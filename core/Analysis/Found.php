<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Formats\Scan;
use OuterCrate\Json\Fields;
use OuterCrate\Reading\ContentLight;

/** What an analysis found in a cut, as far as settings depend on it. */
final readonly class Found
{
    /**
     * @param  float|null  $loudness  integrated, in LUFS; null when silent or without sound
     * @param  float|null  $truePeak  in dBTP
     * @param  list<float>  $shortTerm  loudness once a second, in LUFS
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
        public ?float $loudness = null,
        public ?float $truePeak = null,
        public array $shortTerm = [],
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
        $sound = $fields->within('loudness');
        $light = $fields->within('light');

        return new self(
            loudness: $sound->float('integrated'),
            truePeak: $sound->float('truePeak'),
            shortTerm: self::numbers($sound->within('shortTerm')),
            detail: self::numbers($fields->within('detail')),
            motion: self::numbers($fields->within('motion')),
            darkness: $fields->float('darkness') ?? 0.0,
            gradient: $fields->float('gradient') ?? 0.0,
            grain: $fields->float('grain') ?? 0.0,
            light: $light->has('maxCll') ? new ContentLight($light->int('maxCll') ?? 0, $light->int('maxFall') ?? 0) : null,
            scan: Scan::tryFrom($fields->text('scan') ?? ''),
            bars: $fields->has('bars') ? Bars::told($fields->within('bars')) : null,
        );
    }

    /**
     * Loudness of a part, from the short-term loudness inside it: within a few tenths of an LU of the exact one.
     *
     * @param  float  $from  in seconds
     * @param  float  $to  in seconds
     */
    public function loudnessBetween(float $from, float $to): ?float
    {
        $first = (int) floor($from);
        // A value of the curve tells of the three seconds before it.
        $part = array_slice($this->shortTerm, $first, max(1, (int) ceil($to) - $first));

        return Loudness::gated($part);
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
