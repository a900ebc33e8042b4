<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** The file that picture and sound are put into. */
interface Container
{
    /** Id in preset files and readings. */
    public function id(): string;

    public function name(): string;

    /** Ending of the file's name, without the dot. */
    public function extension(): string;

    /** @return list<string> ids of the video codecs it carries */
    public function videoCodecs(): array;

    /** @return list<string> ids of the audio codecs it carries */
    public function audioCodecs(): array;

    /** @return list<string> frames per second that it can be told; empty when any */
    public function frameRates(): array;

    /** @return list<int> samples per second its sound may have; empty when the codec alone says */
    public function sampleRates(): array;

    /** @return list<int> bits of a sample of uncompressed sound, rising; empty when the codec alone says */
    public function bitDepths(): array;

    /** It has an index that can be put before the media. */
    public function hasFastStart(): bool;

    /** It says itself in which order fields come, whatever the stream says. */
    public function tellsFieldOrder(): bool;

    /** It says when sound begins; where it does not, sound begins with the picture. */
    public function timesSound(): bool;

    /** Colour tags are kept, by the container or the streams that it carries. */
    public function keepsColour(): bool;

    /** HDR10 metadata can be put into it once it is made. */
    public function tellsHdrMetadata(): bool;

    /** The projection of a 360 picture can be put into it once it is made. */
    public function tellsProjection(): bool;

    /** The engine's name of its writer. */
    public function muxer(): string;

    /** @return list<string> what its writer is told besides */
    public function options(): array;

    /** Bytes from which readers of this container fail; null where its own numbers are large enough. */
    public function breaksAbove(): ?int;

    /** Bytes beside the media itself. */
    public function overhead(Payload $payload): int;
}
