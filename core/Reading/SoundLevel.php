<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/** How loud sound is as a whole (ITU-R BS.1770-4, EBU R 128). */
final readonly class SoundLevel
{
    /** Name of the file that a listening command writes to, in its working folder. */
    public const FILE = 'loudness';

    /**
     * @param  float|null  $integrated  in LUFS; null where all is silent
     * @param  float  $range  in LU
     * @param  float|null  $truePeak  in dBTP; null for no signal at all
     */
    public function __construct(public ?float $integrated, public float $range, public ?float $truePeak)
    {
    }

    /**
     * @param  iterable<string>  $lines  what the engine's meter printed ten times a second; the last report is of all of it
     * @return self|null null where it printed nothing
     */
    public static function of(iterable $lines): ?self
    {
        $last = [];
        $peak = 0.0;
        foreach ($lines as $line) {
            if (preg_match('~^lavfi\.r128\.(I|LRA|true_peak)=(-?[\d.]+)~', $line, $match) === 1) {
                $last[$match[1]] = (float) $match[2];
                $peak = $match[1] === 'true_peak' ? max($peak, (float) $match[2]) : $peak;
            }
        }
        if (! isset($last['I'])) {
            return null;
        }

        return new self(
            // The meter says −70 where no block passed its gate.
            $last['I'] <= -70.0 ? null : round($last['I'], 2),
            round($last['LRA'] ?? 0.0, 1),
            $peak <= 0.0 ? null : round(20 * log10($peak), 2),
        );
    }

    /** −15.1 LUFS, range 6.2 LU, peak −1.3 dBTP. */
    public function label(): string
    {
        return $this->integrated === null
            ? 'silent'
            : self::signed($this->integrated)."\u{2009}LUFS, range ".number_format($this->range, 1, '.', '')."\u{2009}LU"
                .($this->truePeak === null ? '' : ', peak '.self::signed($this->truePeak)."\u{2009}dBTP");
    }

    /** −15.1: to a tenth, with a minus. */
    public static function signed(float $value): string
    {
        return str_replace('-', '−', number_format($value, 1, '.', ''));
    }

    /** @return array{label: string, integrated: ?float, range: float, truePeak: ?float} */
    public function toArray(): array
    {
        return ['label' => $this->label(), 'integrated' => $this->integrated, 'range' => $this->range, 'truePeak' => $this->truePeak];
    }
}
