<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;

/** A rule that led to no value; the plan was decided without it. */
final readonly class Refusal
{
    /**
     * @param  string  $cell  its name
     * @param  bool  $yours  the person said it, and not the preset
     */
    public function __construct(public string $cell, public string $text, public bool $yours)
    {
    }

    /** @throws MissingPart when it is none */
    public static function fromArray(Fields $refusal): self
    {
        return new self($refusal->needText('cell'), $refusal->needText('text'), $refusal->bool('yours') ?? false);
    }

    /** @return array{cell: string, text: string, yours: bool} */
    public function toArray(): array
    {
        return ['cell' => $this->cell, 'text' => $this->text, 'yours' => $this->yours];
    }
}
