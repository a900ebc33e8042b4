<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** One run of the engine over the cut. */
final readonly class Pass
{
    /**
     * @param  list<string>  $arguments  output options, between input and output file
     * @param  bool  $writes  false for a pass that only gathers statistics
     * @param  int  $weight  share of the whole work, in hundredths
     */
    public function __construct(public array $arguments, public bool $writes, public int $weight)
    {
    }

    /** @return array{arguments: list<string>, writes: bool, weight: int} */
    public function toArray(): array
    {
        return ['arguments' => $this->arguments, 'writes' => $this->writes, 'weight' => $this->weight];
    }
}
