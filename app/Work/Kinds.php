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
            $named[$kind->declaration()->name] = $kind;
        }
        $this->kinds = $named;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }

    /** @return list<string> names of the kinds that workers of these groups do */
    public function of(WorkerGroup ...$groups): array
    {
        return $this->named(fn (Declaration $kind): bool => in_array($kind->group, $groups, true));
    }

    /** @return list<string> names of the kinds that are done before workers stop at the end of the queue */
    public function delayingEnd(): array
    {
        return $this->named(fn (Declaration $kind): bool => $kind->delaysEnd);
    }

    /** What workers of these kinds do; kinds of an older or newer version are left out. */
    public function does(string ...$names): string
    {
        $known = array_intersect_key($this->kinds, array_flip($names));

        return implode(', ', array_map(fn (Kind $kind): string => $kind->declaration()->does, $known));
    }

    public function get(string $name): Kind
    {
        return $this->kinds[$name];
    }

    /** Null for a kind that the strip does not show, or that this version does not know. */
    public function shown(string $name): ?ShownInStrip
    {
        $kind = $this->kinds[$name] ?? null;

        return $kind instanceof ShownInStrip ? $kind : null;
    }

    /**
     * @param  list<string>  $names
     * @return list<Kind> the highest priority first
     */
    public function only(array $names): array
    {
        $kinds = array_values(array_intersect_key($this->kinds, array_flip($names)));
        usort($kinds, fn (Kind $a, Kind $b): int => $b->declaration()->priority->value <=> $a->declaration()->priority->value);

        return $kinds;
    }

    /**
     * @param  callable(Declaration): bool  $which
     * @return list<string>
     */
    private function named(callable $which): array
    {
        return array_keys(array_filter($this->kinds, fn (Kind $kind): bool => $which($kind->declaration())));
    }
}
