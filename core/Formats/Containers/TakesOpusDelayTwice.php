<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/**
 * A container in which the engine's muxer has Opus begin before the picture by what its encoder puts ahead, and states that as a delay
 * (RFC 9559, CodecDelay) as well: players take it off twice.
 */
interface TakesOpusDelayTwice
{
}
