<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** A video codec that a cut may come in, whether or not files are made with it. */
interface KnownVideo
{
    /** As the prober names it. */
    public function id(): string;

    public function name(): string;

    public function facts(): VideoFacts;

    /** A level as people say it, with the number that the stream carries beside it: “4.1 (41)”. */
    public function levelLabel(int $level): string;
}
