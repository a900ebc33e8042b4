<?php

declare(strict_types=1);

namespace OuterCrate\Refusals;

/** A refusal that is named, and answered with a status, by whichever of its class's own beginnings made it. */
trait Answers
{
    use Says;

    private function __construct(private readonly int $status, private readonly string $id, string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function status(): int
    {
        return $this->status;
    }
}
