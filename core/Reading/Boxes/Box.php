<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

/** A box of an ISO base media file (ISO/IEC 14496-12, 4.2): its type, and where its content lies. */
final readonly class Box
{
    /**
     * @param  string  $type  four characters
     * @param  int  $start  of the content, in bytes from the start of the file
     * @param  int  $end  after the content
     */
    public function __construct(public string $type, public int $start, public int $end)
    {
    }

    public function bytes(): int
    {
        return $this->end - $this->start;
    }
}
