<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/** The audio that a host asks for. */
final readonly class AudioAsk
{
    /**
     * @param  int  $sampleRate  in Hz
     * @param  Fraction|null  $loudness  at which it plays everything, in LUFS (ITU-R BS.1770-4); null where it does not say
     */
    public function __construct(
        public string $codec,
        public Bitrate $bitrate,
        public int $sampleRate = 48_000,
        public int $channels = 2,
        public ?Fraction $loudness = null,
    ) {
    }

    public function words(): string
    {
        return CodecNames::codec($this->codec)." {$this->bitrate}, ".AudioReading::kilohertz($this->sampleRate)
            .($this->loudness === null ? '' : ', '.str_replace('-', '−', (string) $this->loudness).' LUFS');
    }
}
