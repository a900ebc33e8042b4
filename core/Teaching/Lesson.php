<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Hosts\Recompression\Upload;

/** An upload, and what a host made of it. */
final readonly class Lesson
{
    /** How far two rates of the same lines may lie apart and still be one figure: what encoders miss by on short files. */
    public const NEAR = 1.15;

    /**
     * @param  string  $name  of the uploaded file
     * @param  string  $picture  what it shows: alike where two uploads are the same cut
     * @param  non-empty-list<SeenRendition>  $renditions
     */
    public function __construct(public string $name, public Upload $upload, public string $picture, public array $renditions)
    {
    }

    /** Whether the host did the same to another upload, as far as the renditions of the same lines tell. */
    public function treatedAs(self $other): bool
    {
        $together = 0;
        foreach ($this->renditions as $own) {
            foreach ($other->renditions as $theirs) {
                if ($own->lines() !== $theirs->lines()) {
                    continue;
                }
                $together++;
                if ($own->codec !== $theirs->codec) {
                    return false;
                }
                // Rates of two different cuts differ wherever a quality leads, and so do those of two that differ in nothing else.
                if ($this->picture === $other->picture && $this->upload != $other->upload && ! self::near($own, $theirs)) {
                    return false;
                }
            }
        }

        return $together > 0 || array_intersect($this->codecs(), $other->codecs()) !== [];
    }

    private static function near(SeenRendition $one, SeenRendition $other): bool
    {
        $times = $one->average->bitsPerSecond / max(1, $other->average->bitsPerSecond);

        return $times <= self::NEAR && 1 / self::NEAR <= $times;
    }

    /** @return list<string> */
    private function codecs(): array
    {
        return array_values(array_unique(array_map(static fn (SeenRendition $one): string => $one->codec, $this->renditions)));
    }
}
