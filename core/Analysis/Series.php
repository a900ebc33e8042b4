<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Many small numbers in little memory: two bytes each, from 0 to 65535 steps. Twelve hours of frames take a few megabytes. */
final class Series
{
    private const MOST = 65_535;

    /** @param  float  $step what one step stands for */
    public function __construct(private readonly float $step = 1.0, private string $packed = '')
    {
    }

    public function add(float $value): void
    {
        $this->packed .= pack('v', max(0, min(self::MOST, (int) round($value / $this->step))));
    }

    public function count(): int
    {
        return intdiv(strlen($this->packed), 2);
    }

    /** 0 outside. */
    public function at(int $i): float
    {
        return isset($this->packed[2 * $i + 1]) ? (ord($this->packed[2 * $i]) | ord($this->packed[2 * $i + 1]) << 8) * $this->step : 0.0;
    }

    /** @return list<float> */
    public function slice(int $from, int $count): array
    {
        $numbers = unpack('v*', substr($this->packed, 2 * $from, 2 * $count));
        $values = [];
        foreach ($numbers === false ? [] : $numbers as $number) {
            $values[] = (is_int($number) ? $number : 0) * $this->step;
        }

        return $values;
    }

    /** @return list<float> */
    public function all(): array
    {
        return $this->slice(0, $this->count());
    }

    /** Repeats the last value until there are this many; 0 where there is none. */
    public function fill(int $count): void
    {
        $last = $this->packed === '' ? "\0\0" : substr($this->packed, -2);
        $this->packed .= str_repeat($last, max(0, $count - $this->count()));
    }

    public function append(self $other): void
    {
        $this->packed .= $other->packed;
    }

    /** For keeping; the constructor takes it back with the same step. */
    public function packed(): string
    {
        return $this->packed;
    }
}
