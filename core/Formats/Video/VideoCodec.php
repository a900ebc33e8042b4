<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\RateMode;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** A way of coding the picture: what it can carry and what limits its standard sets. */
interface VideoCodec
{
    /** Id in preset files and as the prober names it. */
    public function id(): string;

    public function name(): string;

    /** The standard or publication it is defined by. */
    public function standard(): string;

    /** @return array<string, string> profile id => name, the usual one first; empty for a codec without profiles */
    public function profiles(): array;

    /** The layout this profile stores that loses least of the wanted one; null when it cannot carry a picture like it. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): ?PixelFormat;

    /** The colour tags as this codec can write them: an equal one in place of a value that its own table lacks. */
    public function tags(Colour $colour): Colour;

    /** @return non-empty-list<RateMode> */
    public function rateModes(): array;

    /** Every frame is coded by itself. */
    public function isIntraOnly(): bool;

    /** The rate the codec itself settles at for this picture, where its publisher states one; null otherwise. */
    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate;

    /**
     * The lowest level that holds the stream, such as `3.1`; null for a codec without levels or a stream above all of them.
     *
     * @param  Bitrate|null  $peak  null where no rate is set
     */
    public function level(?string $profile, FrameSize $size, FrameRate $rate, ?Bitrate $peak): ?string;
}
