<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch\Captions;

/** Words that are shown for a while. */
final readonly class Cue
{
    /** Seconds from the start of the video. */
    public function __construct(public float $from, public float $to, public string $text)
    {
    }

    /** Characters that are read, without marks of formatting. */
    public function characters(): int
    {
        return mb_strlen(trim((string) preg_replace(['~<[^>]*>~', '~\s+~u'], ['', ' '], $this->text)));
    }
}
