<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Passes;

/** One run of the engine over the cut. */
final readonly class Pass
{
    /** What a first pass leaves for the second, in the working folder; the engine adds a number to it for most encoders. */
    public const STATISTICS = 'statistics';

    /**
     * @param  list<string>  $input  options before the input
     * @param  list<string>  $arguments  output options, between input and output file
     * @param  bool  $writes  false for a pass that only gathers statistics
     * @param  int  $weight  share of the whole work, in hundredths
     * @param  string  $boxes  that the finished file's picture is to carry, as bytes
     * @param  string|null  $images  names of the images within the folder that is made, with a place for the number; null for a file
     * @param  list<string>  $beside  further outputs, into the working folder
     * @param  string  $elements  that the colour of a Matroska file's picture is to carry, as bytes
     */
    public function __construct(
        public array $input,
        public array $arguments,
        public bool $writes,
        public int $weight,
        public string $boxes = '',
        public ?string $images = null,
        public array $beside = [],
        public string $elements = '',
    ) {
    }

    /**
     * The same with other arguments.
     *
     * @param  list<string>  $arguments
     * @param  list<string>|null  $beside  null for the same
     */
    public function with(array $arguments, ?array $beside = null): self
    {
        return new self(
            input: $this->input,
            arguments: $arguments,
            writes: $this->writes,
            weight: $this->weight,
            boxes: $this->boxes,
            images: $this->images,
            beside: $beside ?? $this->beside,
            elements: $this->elements,
        );
    }
}
