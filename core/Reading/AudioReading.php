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
     * @param  string|null  $codecs  codec string of RFC 6381
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
        public ?string $codecs = null,
    ) {
    }

    public function label(): string
    {
        $detail = $this->bitDepth !== null ? " {$this->bitDepth}" : ($this->bitrate !== null ? " {$this->bitrate}" : '');

        return $this->codecName.$detail.' · '.self::kilohertz($this->sampleRate);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'codec' => $this->codec,
            'codecName' => $this->codecName,
            'codecs' => $this->codecs,
            'label' => $this->label(),
            'sampleRate' => $this->sampleRate,
            'channels' => $this->channels,
            'layout' => $this->layout,
            'bitDepth' => $this->bitDepth,
            'bitrate' => $this->bitrate?->bitsPerSecond,
            'language' => $this->language,
        ];
    }

    /** 48 kHz, 44.1 kHz. */
    public static function kilohertz(int $sampleRate): string
    {
        return rtrim(rtrim(number_format($sampleRate / 1000, 3, '.', ''), '0'), '.')."\u{2009}kHz";
    }
}
