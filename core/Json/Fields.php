<?php

declare(strict_types=1);

namespace OuterCrate\Json;

use BackedEnum;
use InvalidArgumentException;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\FrameWindow;

/** Careful access to decoded JSON of which nothing may be taken for granted. */
final readonly class Fields
{
    /** @param  array<mixed>  $fields */
    public function __construct(private array $fields)
    {
    }

    public function text(string $key): ?string
    {
        $value = $this->fields[$key] ?? null;

        return is_string($value) || is_int($value) || is_float($value) ? (string) $value : null;
    }

    /** @throws MissingPart where there is none */
    public function needText(string $key): string
    {
        return $this->text($key) ?? throw new MissingPart($key);
    }

    /** @throws MissingPart where there is none */
    public function needInt(string $key): int
    {
        return $this->int($key) ?? throw new MissingPart($key);
    }

    public function int(string $key): ?int
    {
        $value = $this->fields[$key] ?? null;
        if (is_string($value) && preg_match('~^-?\d{1,18}$~', $value) === 1) {
            return (int) $value;
        }

        return is_int($value) ? $value : (is_float($value) && abs($value) < 2 ** 52 ? (int) $value : null);
    }

    public function bool(string $key): ?bool
    {
        $value = $this->fields[$key] ?? null;

        return is_bool($value) ? $value : null;
    }

    public function float(string $key): ?float
    {
        $value = $this->fields[$key] ?? null;

        return is_int($value) || is_float($value) || (is_string($value) && is_numeric($value)) ? (float) $value : null;
    }

    /** A number kept exact: 1.8 is 9/5. */
    public function fraction(string $key): ?Fraction
    {
        return Fraction::tryParse($this->text($key));
    }

    /** @throws InvalidArgumentException where first or last frame is missing or out of range */
    public function asRange(): FrameRange
    {
        return new FrameRange($this->needInt('first'), $this->needInt('last'));
    }

    /** @throws InvalidArgumentException where a side or a corner is missing or out of range */
    public function asWindow(): FrameWindow
    {
        $size = new FrameSize($this->needInt('width'), $this->needInt('height'));

        return new FrameWindow($this->needInt('left'), $this->needInt('top'), $size);
    }

    public function has(string $key): bool
    {
        return ($this->fields[$key] ?? null) !== null;
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        $value = $this->fields[$key] ?? null;

        return is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
    }

    /** @return list<float> */
    public function floats(string $key): array
    {
        $value = $this->fields[$key] ?? null;
        $numbers = array_filter(is_array($value) ? $value : [], static fn (mixed $one): bool => is_int($one) || is_float($one));

        return array_map(floatval(...), array_values($numbers));
    }

    /** @return list<int> */
    public function ints(string $key): array
    {
        $value = $this->fields[$key] ?? null;

        return is_array($value) ? array_values(array_filter($value, is_int(...))) : [];
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T|null null where nothing is said
     *
     * @throws InvalidArgumentException where it is none of its cases
     */
    public function case(string $key, string $enum): ?BackedEnum
    {
        $value = $this->fields[$key] ?? null;
        if ($value === null) {
            return null;
        }

        return (is_string($value) || is_int($value) ? $enum::tryFrom($value) : null)
            ?? throw new InvalidArgumentException("The part “{$key}” is none of ".implode(', ', array_column($enum::cases(), 'value')).'.');
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     *
     * @throws InvalidArgumentException where it is missing, or none of its cases
     */
    public function needCase(string $key, string $enum): BackedEnum
    {
        return $this->case($key, $enum) ?? throw new MissingPart($key);
    }

    /** @return array<mixed> */
    public function all(): array
    {
        return $this->fields;
    }

    public function within(string $key): self
    {
        $value = $this->fields[$key] ?? null;

        return new self(is_array($value) ? $value : []);
    }

    /** @return list<self> */
    public function rows(string $key): array
    {
        $value = $this->fields[$key] ?? null;
        $rows = [];
        foreach (is_array($value) ? $value : [] as $row) {
            if (is_array($row)) {
                $rows[] = new self($row);
            }
        }

        return $rows;
    }
}
