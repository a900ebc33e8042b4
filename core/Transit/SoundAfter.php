<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Analysis\FoundSound;
use OuterCrate\Hosts\AudioAsk;

/** What a host's own loudness makes of a sound. */
final readonly class SoundAfter
{
    /** dBTP that hosts keep under when they turn a sound up (EBU R 128, annex: −1 dBTP): beyond it a limiter works. */
    private const CEILING = -1.0;

    /**
     * @param  float  $loudness  in LUFS, integrated (ITU-R BS.1770-4)
     * @param  float  $truePeak  in dBTP
     * @param  float  $gain  in dB, by which the host turns it up or down
     */
    private function __construct(public float $loudness, public float $truePeak, public float $gain)
    {
    }

    /** Null where the host plays no sound, or nothing is known of the cut's. */
    public static function of(?FoundSound $sound, ?AudioAsk $host): ?self
    {
        if ($sound === null || $host === null || $sound->integrated === null || $sound->truePeak === null) {
            return null;
        }
        $gain = $host->loudness === null ? 0.0 : $host->loudness->toFloat() - $sound->integrated;

        return new self($sound->integrated + $gain, $sound->truePeak + $gain, $gain);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'loudness' => round($this->loudness, 1),
            'truePeak' => round($this->truePeak, 1),
            'gain' => round($this->gain, 1),
            'text' => match (true) {
                abs($this->gain) < 0.5 => 'It is played as it is.',
                $this->gain < 0 => sprintf('It is turned down by %.1f dB: what it was louder is lost.', -$this->gain),
                $this->truePeak > self::CEILING => sprintf(
                    'It is turned up by %.1f dB, and its peaks are pressed down to fit.',
                    $this->gain,
                ),
                default => sprintf('It is turned up by %.1f dB.', $this->gain),
            },
        ];
    }
}
