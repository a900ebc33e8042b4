<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Analysis\FoundSound;
use OuterCrate\Planning\Cells\Audio\Levelling;
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
     * @param  FoundSound|null  $whole  what an analysis heard in all of it; null where the parts are all that is known
     * @param  SoundLevel  $cut  the parts, as they are delivered, before they are coded or their level is set
     * @param  SoundLevel  $upload  the parts in the upload
     * @param  SoundLevel  $after  the parts in what the host made of it
     * @param  Levelling|null  $host  what the host did to its level; null where it leaves it alone
     * @return self|null null for silence
     */
    public static function of(?FoundSound $whole, SoundLevel $cut, SoundLevel $upload, SoundLevel $after, ?Levelling $host): ?self
    {
        if ($cut->integrated === null || $upload->integrated === null || $after->integrated === null) {
            return null;
        }
        $louder = ($whole->integrated ?? $cut->integrated) - $cut->integrated;
        // The highest peak of all may lie outside the parts; a limiter brings it down to where theirs are.
        $higher = $cut->truePeak === null ? 0.0 : max(0.0, ($whole->truePeak ?? $cut->truePeak) - $cut->truePeak);
        $gain = $host->gain ?? 0.0;
        $limits = $host?->limits() ?? false;

        return new self(
            $after->integrated + $louder,
            $after->truePeak === null ? null : $after->truePeak + ($limits ? 0.0 : $higher),
            $gain,
            $limits ? max(0.0, ($upload->truePeak ?? 0.0) + $higher + $gain - ($after->truePeak ?? 0.0)) : 0.0,
            $after->range - $upload->range,
            [
                'loudness' => $upload->integrated + $louder,
                'truePeak' => $upload->truePeak === null ? null : $upload->truePeak + $higher,
            ],
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
