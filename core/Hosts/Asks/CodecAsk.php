<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Reading\CodecNames;

/** A video codec that a host takes. */
final readonly class CodecAsk
{
    /**
     * @param  string|null  $profile  null where any will do
     * @param  int|null  $aboveWidth  pixels from which on it is the one to send; null for every width
     */
    public function __construct(public string $codec, public ?string $profile = null, public ?int $aboveWidth = null)
    {
    }

    public function isFor(int $width): bool
    {
        return $this->aboveWidth === null || $width > $this->aboveWidth;
    }

    /** H.264 High, as it is asked for a picture it is meant for. */
    public function words(): string
    {
        return CodecNames::codec($this->codec).($this->profile === null ? '' : ' '.ucfirst($this->profile));
    }

    /** The same among others, each with the pictures it is meant for. */
    public function wordsInList(): string
    {
        return $this->words().($this->aboveWidth === null ? '' : " above {$this->aboveWidth} px wide");
    }
}
