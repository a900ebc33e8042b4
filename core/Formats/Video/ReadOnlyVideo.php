<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** A codec that can be read, but not written. */
final readonly class ReadOnlyVideo implements KnownVideo
{
    public function __construct(private string $id, private string $name, private VideoFacts $facts = new VideoFacts)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function facts(): VideoFacts
    {
        return $this->facts;
    }

    public function levelLabel(int $level): string
    {
        return (string) $level;
    }
}
