<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

/** How loud sound is brought to a target: by one gain for all of it, and a limiter only where its peaks would pass the ceiling. */
final readonly class Levelling
{
    /**
     * @param  float  $target  integrated loudness in LUFS (ITU-R BS.1770-4)
     * @param  float  $ceiling  true peak that nothing passes, in dBTP (EBU R 128 asks −1)
     * @param  float|null  $gain  in dB; null while the loudness of the cut is not known
     * @param  bool  $limits  peaks lifted by the gain would pass the ceiling
     */
    public function __construct(public float $target, public float $ceiling, public ?float $gain, public bool $limits)
    {
    }

    public function label(): string
    {
        return self::signed($this->target)."\u{2009}LUFS";
    }

    public static function signed(float $value): string
    {
        return str_replace('-', '−', rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.'));
    }

    /** @return array{loudness: float, truePeak: float, gain: ?float, limited: bool} */
    public function toArray(): array
    {
        return ['loudness' => $this->target, 'truePeak' => $this->ceiling, 'gain' => $this->gain, 'limited' => $this->limits];
    }
}
