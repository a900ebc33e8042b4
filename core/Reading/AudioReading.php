<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Units\Bitrate;

/** One audio stream of a file. */
final readonly class AudioReading
{
    /**
     * @param  int  $sampleRate  in Hz
     * @param  int|null  $bitDepth  bits per sample where the codec has them (PCM, FLAC, ALAC)
     */
    public function __construct(
        public int $index,
        public string $codec,
        public string $codecName,
        public int $sampleRate,
        public int $channels,
        public ?string $layout,
        public ?int $bitDepth,
        public ?Bitrate $bitrate,
        public ?string $language,
    ) {
    }

    public function label(): string
    {
        $detail = $this->bitDepth !== null ? " {$this->bitDepth}" : ($this->bitrate !== null ? " {$this->bitrate}" : '');

        return $this->codecName.$detail.' · '.self::kilohertz($this->sampleRate);
    }

    /** 48 kHz, 44.1 kHz. */
    public static function kilohertz(int $sampleRate): string
    {
        return rtrim(rtrim(number_format($sampleRate / 1000, 3, '.', ''), '0'), '.')."\u{2009}kHz";
    }
}
