<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Units\FrameRate;

/** What is concluded from the facts that were measured of a cut. */
final readonly class Analysis
{
    /** Raised whenever a detector changes what it measures or concludes; what an older one found is looked for anew. */
    public const VERSION = 3;

    /** A frame is dark when its mean lies below this, on a scale to 255. */
    private const DARK = 40.0;

    /**
     * @param  list<Span>  $black
     * @param  list<Span>  $still
     * @param  list<Span>  $silence
     * @param  list<float>  $detail  spatial information (ITU-T P.910) by the second
     * @param  list<float>  $motion  temporal information (ITU-T P.910) by the second
     * @param  list<float>  $brightness  from 0 to 255 by the second
     * @param  float  $darkness  share of the frames that are dark and not black, 0 to 1
     * @param  float  $gradient  share of the picture that is a gentle gradient, 0 to 1
     * @param  float  $grain  standard deviation on a scale to 255
     * @param  ContentLight|null  $light  of a PQ picture
     */
    private function __construct(
        private Reading $reading,
        public TrueScan $trueScan,
        public ?RepeatedFrames $repeated,
        public Bars $bars,
        public array $black,
        public array $still,
        public array $silence,
        public Leftover $leftover,
        public ?Loudness $loudness,
        public ?Loudness $mix,
        public array $detail,
        public array $motion,
        public array $brightness,
        public float $darkness,
        public float $gradient,
        public float $grain,
        public ?ContentLight $light,
    ) {
    }

    public static function of(Facts $facts, Reading $reading): self
    {
        $rate = $reading->mainVideo()->frameRate ?? FrameRate::of(25);
        $second = Segment::framesPerSecond($rate);
        $black = BlackSpans::in($facts, $rate);
        $silence = Silence::in($facts, $rate);

        return new self(
            reading: $reading,
            trueScan: TrueScan::in($facts),
            repeated: RepeatedFrames::in($facts),
            bars: Bars::in($facts),
            black: $black,
            still: StillSpans::in($facts, $rate),
            silence: $silence,
            leftover: Leftover::in($facts->frames(), $rate, $black, $silence, $facts->hasSound()),
            loudness: Loudness::in($facts),
            mix: Loudness::ofMix($facts),
            detail: PerSecond::of($facts->of(Measure::Spatial), $second),
            motion: PerSecond::of($facts->of(Measure::Temporal), $second),
            brightness: PerSecond::of($facts->of(Measure::Mean), $second),
            darkness: self::darkness($facts),
            gradient: self::middle($facts->of(Measure::Gradient)),
            grain: self::middle($facts->of(Measure::Grain)),
            light: LightMeter::in($facts),
        );
    }

    /**
     * The shape that `read --analyse --json` prints (see resources/schema/analysis.json).
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $rate = $this->reading->mainVideo()->frameRate ?? FrameRate::of(25);
        $suggested = $this->leftover->suggested;

        return [
            'version' => self::VERSION,
            'scan' => $this->trueScan->scan?->value,
            'statedScan' => $this->reading->mainVideo()?->scan->value,
            'scanSamples' => $this->trueScan->samples,
            'repeated' => $this->repeated?->toArray($rate),
            'bars' => $this->bars->toArray(),
            'black' => $this->spans($this->black),
            'still' => $this->spans($this->still),
            'silence' => $this->spans($this->silence),
            'leftover' => $this->spans($this->leftover->spans),
            'suggestedRange' => $suggested === null
                    ? null
                    : (new Span($suggested->first, $suggested->last))->toArray($this->reading) + [
                        'reason' => (string) $this->leftover->reason,
                    ],
            'loudness' => $this->loudness?->toArray(),
            'mix' => $this->mix?->toArray(),
            'detail' => $this->detail,
            'motion' => $this->motion,
            'brightness' => $this->brightness,
            'darkness' => $this->darkness,
            'gradient' => $this->gradient,
            'grain' => $this->grain,
            'light' => $this->light?->toArray(),
            'inWords' => $this->inWords($rate),
        ];
    }

    /**
     * @param  list<Span>  $spans
     * @return list<array<string, mixed>>
     */
    private function spans(array $spans): array
    {
        return array_map(fn (Span $span): array => $span->toArray($this->reading), $spans);
    }

    /** @return list<array{name: string, text: string}> */
    private function inWords(FrameRate $rate): array
    {
        $mean = static fn (array $values): string => number_format($values === [] ? 0 : array_sum($values) / count($values), 1);
        $percent = static fn (float $share): string => round($share * 100)."\u{2009}%";
        $loudness = $this->loudness;
        $words = [
            'Scan' => $this->trueScan->scan?->label() ?? 'cannot be told',
            'Repeated frames' => $this->repeated?->label($rate) ?? 'none',
            'Bars' => $this->bars->label(),
            'Detail' => $mean($this->detail).' SI on average',
            'Motion' => $mean($this->motion).' TI on average',
            'Dark' => $percent($this->darkness).' of the frames',
            'Gentle gradients' => $percent($this->gradient).' of the picture',
            'Grain' => number_format($this->grain, 1).' of 255',
            'Light' => $this->light?->label(),
            'Loudness' => match (true) {
                $loudness === null => 'no sound',
                $loudness->integrated === null => 'silent throughout',
                default => SoundLevel::signed($loudness->integrated).
                    "\u{2009}LUFS, range ".
                    number_format($loudness->range, 1).
                    "\u{2009}LU",
            },
            'Mixed to stereo' => $this->mix?->integrated === null
                ? null
                : SoundLevel::signed($this->mix->integrated)."\u{2009}LUFS"
                    .($this->mix->truePeak === null ? '' : ', peak '.SoundLevel::signed($this->mix->truePeak)."\u{2009}dBTP"),
            'True peak' => $loudness?->truePeak === null ? null : SoundLevel::signed($loudness->truePeak)."\u{2009}dBTP",
        ];
        $said = [];
        foreach ($words as $name => $text) {
            if ($text !== null) {
                $said[] = ['name' => $name, 'text' => $text];
            }
        }

        return $said;
    }

    private static function darkness(Facts $facts): float
    {
        $seen = 0;
        $dark = 0;
        foreach ($facts->of(Measure::Mean)->all() as $i => $mean) {
            if (! BlackSpans::isBlack($facts, $i)) {
                $seen++;
                $dark += $mean < self::DARK ? 1 : 0;
            }
        }

        return round($dark / max(1, $seen), 3);
    }

    private static function middle(Series $series): float
    {
        $values = $series->all();
        sort($values);

        return round($values[intdiv(count($values), 2)] ?? 0.0, 3);
    }
}
