<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** The file that picture and sound are put into. */
interface Container
{
    /** Id in preset files and readings. */
    public function id(): string;

    public function name(): string;

    public function standard(): string;

    /** Ending of the file's name, without the dot. */
    public function extension(): string;

    /** @return list<string> ids of the video codecs it carries */
    public function videoCodecs(): array;

    /** @return list<string> ids of the audio codecs it carries */
    public function audioCodecs(): array;

    /** It has an index that can be put before the media. */
    public function hasFastStart(): bool;

    /** Bytes beside the media itself, for the given number of frames and sound packets. */
    public function overhead(int $frames, int $soundPackets, bool $intraOnly): int;
}
