<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** A way of coding the picture: what it can carry and what limits its standard sets. */
interface VideoCodec extends KnownVideo
{
    /** @return array<string, string> profile id => name, the usual one first; empty for a codec without profiles */
    public function profiles(): array;

    /** The layout this profile stores that loses least of the wanted one; null when it cannot carry a picture like it. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): ?PixelFormat;

    /** The colour tags as this codec can write them: an equal one in place of a value that its own table lacks. */
    public function tags(Colour $colour): Colour;

    /** @return non-empty-list<BitrateMode> */
    public function rateModes(): array;

    /** Whether a first pass tells the second, with the encoder at hand, where the bits are needed. */
    public function hasTwoPasses(): bool;

    /** Whether the encoder at hand keeps the rate of a mode under a peak. */
    public function holdsPeak(BitrateMode $mode): bool;

    /** Every frame is coded by itself. */
    public function isIntraOnly(): bool;

    /** The rate the codec itself settles at for this picture, where its publisher states one; null otherwise. */
    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate;

    /** The scale of constant quality; null for a codec that is not asked for one. */
    public function quality(): ?QualityScale;

    /** Fields stay fields in such a file, and the file says which comes first. */
    public function keepsFields(Container $container): bool;

    /** Pixels that are not square are told as such. */
    public function keepsPixelShape(Container $container): bool;

    /** Mastering display and content light level (SMPTE ST 2086, CTA-861.3) can be told, by the stream or the container. */
    public function keepsHdrMetadata(Container $container): bool;

    /** B-frames in a row that it can have at most. */
    public function mostBFrames(): int;

    /** @return list<string> levels from the lowest on; empty for a codec without */
    public function levels(): array;

    /** The lowest level that holds the stream; null for a codec without levels, or a stream above all of them. */
    public function level(?string $profile, LevelNeeds $needs): ?string;

    /** The limit of a level that the stream breaks, in words with its numbers; null when the level holds it. */
    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string;

    /** Bits of the buffer of a decoder of a level; null where none is stated. */
    public function buffer(string $level, ?string $profile): ?int;

    /** Why the codec cannot carry such a frame, as a sentence; null when it can. */
    public function refuses(?string $profile, FrameSize $size, FrameRate $rate): ?string;
}
