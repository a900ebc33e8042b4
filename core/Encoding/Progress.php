<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** How far a pass has come. */
final readonly class Progress
{
    /**
     * @param  int  $frames  written so far
     * @param  float|null  $framesPerSecond  as the engine measures it
     * @param  int  $bytes  written so far
     * @param  float|null  $seconds  of the output written so far
     */
    public function __construct(public int $frames, public ?float $framesPerSecond, public int $bytes, public bool $ended, public ?float $seconds = null)
    {
    }
}
