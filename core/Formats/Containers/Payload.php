<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** What is put into a container, as far as its overhead depends on it. */
final readonly class Payload
{
    /**
     * @param  int  $bytes  of picture and sound
     * @param  bool  $intraOnly  every frame stands by itself
     */
    public function __construct(
        public int $frames,
        public int $soundPackets,
        public bool $intraOnly,
        public int $bytes,
        public float $seconds,
    ) {
    }
}
