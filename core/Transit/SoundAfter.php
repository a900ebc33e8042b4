<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Reading\SoundLevel;

/** What is left of a sound after a host: measured on parts of it, and told for all of it by as much as they changed. */
final readonly class SoundAfter
{
    /** dB under which nobody hears a change of level (EBU R 128 lets a programme be so far off). */
    private const HEARD = 0.5;

    /**
     * @param  float  $loudness  in LUFS, integrated (ITU-R BS.1770-4)
     * @param  float|null  $truePeak  in dBTP
     * @param  float  $gain  in dB, by which the host turns it up or down
     * @param  float  $pressed  dB that its limiter took off the peaks
     * @param  float  $range  LU by which loud and soft lie further apart than in the upload
     * @param  array{loudness: float, truePeak: float|null}  $upload
     */
    private function __construct(
        public float $loudness,
        public ?float $truePeak,
        public float $gain,
        public float $pressed,
        public float $range,
        public array $upload,
    ) {
    }

    /**
     * @param  HeardParts  $parts  of the cut
     * @param  SoundLevel  $upload  the parts in the upload
     * @param  SoundLevel  $after  the parts in what the host made of it
     * @param  Levelling|null  $host  what the host did to its level; null where it leaves it alone
     * @return self|null null for silence
     */
    public static function of(HeardParts $parts, SoundLevel $upload, SoundLevel $after, ?Levelling $host): ?self
    {
        $limits = $host?->limits() ?? false;
        [$sent, $came] = [$parts->ofAll($upload), $parts->ofAll($after, $limits)];
        if ($sent->integrated === null || $came->integrated === null) {
            return null;
        }
        $gain = $host->gain ?? 0.0;

        return new self(
            $came->integrated,
            $came->truePeak,
            $gain,
            $limits ? max(0.0, ($sent->truePeak ?? 0.0) + $gain - ($came->truePeak ?? 0.0)) : 0.0,
            $came->range - $sent->range,
            ['loudness' => $sent->integrated, 'truePeak' => $sent->truePeak],
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $round = static fn (?float $value): ?float => $value === null ? null : round($value, 1);

        return [
            'loudness' => $round($this->loudness),
            'truePeak' => $round($this->truePeak),
            'gain' => $round($this->gain),
            'pressed' => $round($this->pressed),
            'range' => $round($this->range),
            'upload' => array_map($round, $this->upload),
            'text' => $this->text(),
        ];
    }

    private function text(): string
    {
        $done = match (true) {
            abs($this->gain) < self::HEARD => 'is played as it is',
            $this->gain < 0 => sprintf('is turned down by %.1f dB', -$this->gain),
            $this->pressed >= self::HEARD => sprintf(
                'is turned up by %.1f dB, its peaks pressed down by %.1f dB to fit',
                $this->gain,
                $this->pressed,
            ),
            default => sprintf('is turned up by %.1f dB', $this->gain),
        };
        $level = SoundLevel::signed($this->loudness)."\u{2009}LUFS";
        $peaks = $this->truePeak === null ? '' : ', peaks at '.SoundLevel::signed($this->truePeak)."\u{2009}dBTP";

        return "The sound {$done}: {$level} after the host{$peaks}.";
    }
}
