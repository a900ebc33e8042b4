<?php

declare(strict_types=1);

namespace OuterCrate\Json;

use BackedEnum;
use InvalidArgumentException;
use ReflectionClass;
use ReflectionProperty;

/**
 * Values of the core as plain JSON and back, exactly: every object as its class and what its constructor was given. For what is
 * kept between deciding and making; what is shown or exchanged has schemas of its own.
 */
final class Freezer
{
    private const NAMESPACE = 'OuterCrate\\';

    private const IS = '@';

    /** @return array<mixed>|bool|float|int|string|null */
    public static function freeze(mixed $value): array|bool|float|int|string|null
    {
        if ($value instanceof BackedEnum) {
            return [self::IS => self::nameOf($value), 'case' => $value->value];
        }
        if (is_object($value)) {
            $parts = [];
            foreach ((new ReflectionClass($value))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $property = new ReflectionProperty($value, $parameter->getName());
                $parts[$parameter->getName()] = self::freeze($property->getValue($value));
            }

            return [self::IS => self::nameOf($value)] + $parts;
        }
        if (is_array($value)) {
            return array_map(self::freeze(...), $value);
        }

        return is_scalar($value) || $value === null ? $value : throw new InvalidArgumentException('Only values can be kept.');
    }

    /** @throws InvalidArgumentException when it was kept by a version whose values were others */
    public static function thaw(mixed $kept): mixed
    {
        if (! is_array($kept)) {
            return $kept;
        }
        if (! isset($kept[self::IS])) {
            return array_map(self::thaw(...), $kept);
        }
        $class = self::NAMESPACE.strtr(is_string($kept[self::IS]) ? $kept[self::IS] : '', '/', '\\');
        if (is_a($class, BackedEnum::class, true)) {
            $case = $kept['case'] ?? '';

            return $class::tryFrom(is_int($case) || is_string($case) ? $case : '') ?? throw self::unknown($class);
        }
        if (! class_exists($class)) {
            throw self::unknown($class);
        }
        $reflection = new ReflectionClass($class);
        $arguments = [];
        foreach ($reflection->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            if (array_key_exists($name, $kept)) {
                $arguments[$name] = self::thaw($kept[$name]);
            } elseif (! $parameter->isOptional()) {
                throw self::unknown("{$class}::\${$name}");
            }
        }

        // Many values are made by a named constructor; their own one still says what is valid.
        $value = $reflection->newInstanceWithoutConstructor();
        $reflection->getConstructor()?->invokeArgs($value, $arguments);

        return $value;
    }

    private static function nameOf(object $value): string
    {
        if (! str_starts_with($value::class, self::NAMESPACE)) {
            throw new InvalidArgumentException('Only values of the core can be kept, not '.$value::class.'.');
        }

        return strtr(substr($value::class, strlen(self::NAMESPACE)), '\\', '/');
    }

    private static function unknown(string $what): InvalidArgumentException
    {
        return new InvalidArgumentException("What was kept does not fit this version: {$what}.");
    }
}
