<?php

declare(strict_types=1);

namespace OuterCrate\Refusals;

/** Says a refusal in one breath: what happened, what was kept, what to do. */
trait Says
{
    private string $kept = '';

    private string $todo = '';

    public function file(): ?string
    {
        return null;
    }

    public function kept(): string
    {
        return $this->kept;
    }

    public function todo(): string
    {
        return $this->todo;
    }

    private function say(string $what, string $todo, string $kept = ''): void
    {
        parent::__construct(implode(' ', array_filter([$what, $kept, $todo], static fn (string $part): bool => $part !== '')));
        $this->kept = $kept;
        $this->todo = $todo;
    }
}
