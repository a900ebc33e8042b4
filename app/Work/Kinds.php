<?php

namespace App\Work;

/** The kinds of work that there are. A new one is a class and a line in the service provider. */
final readonly class Kinds
{
    /** @var array<string, Kind> */
    private array $kinds;

    /** @param  iterable<Kind>  $kinds */
    public function __construct(iterable $kinds)
    {
        $named = [];
        foreach ($kinds as $kind) {
            $named[$kind->name()] = $kind;
        }
        $this->kinds = $named;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }

    /** What workers of these kinds do; what an older or newer one takes is nothing that is known here. */
    public function does(string ...$names): string
    {
        $known = array_filter(array_map(fn (string $name): ?Kind => $this->kinds[$name] ?? null, array_values($names)));

        return implode(', ', array_map(fn (Kind $kind): string => $kind->does(), $known));
    }

    public function get(string $name): Kind
    {
        return $this->kinds[$name];
    }

    /**
     * @param  list<string>  $names
     * @return list<Kind> the highest priority first
     */
    public function only(array $names): array
    {
        $kinds = array_values(array_intersect_key($this->kinds, array_flip($names)));
        usort($kinds, fn (Kind $a, Kind $b): int => $b->priority() <=> $a->priority());

        return $kinds;
    }
}
