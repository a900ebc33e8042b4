<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** For a codec whose standard has no levels, or whose profile says it all. */
trait WithoutLevels
{
    public function levels(): array
    {
        return [];
    }

    public function level(?string $profile, LevelNeeds $needs): ?string
    {
        return null;
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        return null;
    }

    public function levelLabel(int $level): string
    {
        return (string) $level;
    }
}
