<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Analysis\Severity;

/** Something that was noticed of what is to be sent or released, and what to do about it. */
final readonly class Remark
{
    private function __construct(public string $about, public Severity $severity, public string $text, public string $todo)
    {
    }

    /** It will not be taken. */
    public static function stop(string $about, string $text, string $todo): self
    {
        return new self($about, Severity::Stop, $text, $todo);
    }

    /** It may be wrong, or stands in the way of a release. */
    public static function caution(string $about, string $text, string $todo): self
    {
        return new self($about, Severity::Caution, $text, $todo);
    }

    public static function note(string $about, string $text, string $todo = ''): self
    {
        return new self($about, Severity::Note, $text, $todo);
    }

    /** @return array{about: string, severity: string, text: string, todo: string} */
    public function toArray(): array
    {
        return ['about' => $this->about, 'severity' => $this->severity->value, 'text' => $this->text, 'todo' => $this->todo];
    }
}
