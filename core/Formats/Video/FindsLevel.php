<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** For a codec with levels: the lowest one that holds. */
trait FindsLevel
{
    public function level(?string $profile, LevelNeeds $needs): ?string
    {
        foreach ($this->levels() as $level) {
            if ($this->exceeds($level, $profile, $needs) === null) {
                return $level;
            }
        }

        return null;
    }

    public function levelLabel(int $level): string
    {
        return (string) $level;
    }
}
