<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

/** An element of a Matroska file (RFC 8794, 5): what it is, and where its content lies. */
final readonly class Element
{
    /**
     * @param  int  $id  with its length marker, as the specification writes it
     * @param  int  $start  of the content, in bytes from the start of the file
     * @param  int  $end  after the content
     */
    public function __construct(public int $id, public int $start, public int $end)
    {
    }

    public function bytes(): int
    {
        return $this->end - $this->start;
    }
}
