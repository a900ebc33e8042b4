<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** A video codec that can be read. Some can also be written. */
interface KnownVideo
{
    /** As the prober names it. */
    public function id(): string;

    public function name(): string;

    public function facts(): VideoFacts;

    /** The usual name of a level and its coded number: “4.1 (41)”. */
    public function levelLabel(int $level): string;
}
