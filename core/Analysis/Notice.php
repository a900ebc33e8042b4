<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRange;

/** Something that the analysis of a cut gives cause to say. */
final readonly class Notice
{
    /**
     * @param  string  $id  stable, in kebab case
     * @param  string  $text  a sentence that names the numbers
     * @param  FrameRange|null  $range  that answers it
     */
    public function __construct(public string $id, public Severity $severity, public string $text, public ?FrameRange $range = null)
    {
    }

    /** @return array{id: string, severity: string, text: string, range: ?array{first: int, last: int}} */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'severity' => $this->severity->value,
            'text' => $this->text,
            'range' => $this->range === null ? null : ['first' => $this->range->first, 'last' => $this->range->last],
        ];
    }
}
