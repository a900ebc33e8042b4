<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** One run of the engine over the cut. */
final readonly class Pass
{
    /**
     * @param  list<string>  $input  options before the input
     * @param  list<string>  $arguments  output options, between input and output file
     * @param  bool  $writes  false for a pass that only gathers statistics
     * @param  int  $weight  share of the whole work, in hundredths
     */
    public function __construct(public array $input, public array $arguments, public bool $writes, public int $weight)
    {
    }

    /** @return array{input: list<string>, arguments: list<string>, writes: bool, weight: int} */
    public function toArray(): array
    {
        return ['input' => $this->input, 'arguments' => $this->arguments, 'writes' => $this->writes, 'weight' => $this->weight];
    }
}
