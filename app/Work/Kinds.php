<?php

namespace App\Work;

use Illuminate\Contracts\Container\Container;

/** The kinds of work that there are. A new one is a class and a line in the service provider. */
final class Kinds
{
    /** @var array<string, class-string<Kind>> by name */
    private readonly array $classes;

    /** @var array<string, Kind> by name, as far as they were asked for */
    private array $made = [];

    /** @param  list<class-string<Kind>>  $classes */
    public function __construct(array $classes, private readonly Container $container)
    {
        $this->classes = array_combine(array_map(fn (string $class): string => $class::declaration()->name, $classes), $classes);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->classes);
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

    /** @return list<string> names of the kinds that the strip shows */
    public function inStrip(): array
    {
        return $this->named(fn (Declaration $kind): bool => $kind->shows !== null);
    }

    /** What workers of these kinds do; kinds of an older or newer version are left out. */
    public function does(string ...$names): string
    {
        $known = array_intersect_key($this->classes, array_flip($names));

        return implode(', ', array_map(fn (string $class): string => $class::declaration()->does, $known));
    }

    public function get(string $name): Kind
    {
        return $this->made[$name] ??= $this->container->make($this->classes[$name]);
    }

    /**
     * @param  list<int>  $subjects  of work of a kind, at least one
     * @return array<int, Activity> by subject; none for a kind that the strip does not show, or that this version does not know
     */
    public function activities(string $name, array $subjects): array
    {
        $shows = isset($this->classes[$name]) ? $this->classes[$name]::declaration()->shows : null;

        return $shows === null ? [] : $this->container->make($shows)->activities($subjects);
    }

    /**
     * @param  list<string>  $names
     * @return list<Kind> the highest priority first
     */
    public function only(array $names): array
    {
        $classes = array_intersect_key($this->classes, array_flip($names));
        uasort($classes, fn (string $a, string $b): int => $b::declaration()->priority->value <=> $a::declaration()->priority->value);

        return array_map($this->get(...), array_keys($classes));
    }

    /**
     * @param  callable(Declaration): bool  $which
     * @return list<string>
     */
    private function named(callable $which): array
    {
        return array_keys(array_filter($this->classes, fn (string $class): bool => $which($class::declaration())));
    }
}
