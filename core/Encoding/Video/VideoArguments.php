<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** How one codec's encoder is told what a plan decided. */
interface VideoArguments
{
    /** Id of the codec. */
    public function codec(): string;

    /** Name of the engine's encoder for the given effort. */
    public function encoder(?VideoValue $picture = null): string;

    /**
     * The encoder's own options, without `-c:v`.
     *
     * @param  int  $pass  0 for the only pass, else 1 or 2; statistics go to a file in the working folder
     * @return list<string>
     */
    public function arguments(Plan $plan, int $pass): array;

    /** Pixels per second this encoder manages on two ordinary cores: what estimates start from until a run has been timed. */
    public function usualSpeed(VideoValue $picture): int;
}
