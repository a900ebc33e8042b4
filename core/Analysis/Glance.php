<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use InvalidArgumentException;

/** A frame at a glance: its brightness in 64 × 36 fields, each the mean of what lies under it, from 0 (black) to 255 (white). */
final readonly class Glance
{
    public const WIDTH = 64;

    public const HEIGHT = 36;

    public const BYTES = self::WIDTH * self::HEIGHT;

    public float $mean;

    public int $brightest;

    /** @var array<int, int> */
    private array $fields;

    /** @throws InvalidArgumentException when there are not exactly as many bytes as fields */
    public function __construct(public string $bytes)
    {
        if (strlen($bytes) !== self::BYTES) {
            throw new InvalidArgumentException('A glance has '.self::BYTES.' bytes, not '.strlen($bytes).'.');
        }
        /** @var non-empty-array<int, int> $fields */
        $fields = unpack('C*', $bytes);
        $this->fields = $fields;
        $this->mean = array_sum($fields) / self::BYTES;
        $this->brightest = max($fields);
    }

    /**
     * How far another glance differs.
     *
     * @return array{mean: float, largest: int} over all fields, and in the one that differs most
     */
    public function difference(self $other): array
    {
        if ($this->bytes === $other->bytes) {
            return ['mean' => 0.0, 'largest' => 0];
        }
        $sum = 0;
        $largest = 0;
        $fields = $other->fields;
        foreach ($this->fields as $i => $field) {
            $d = $field - $fields[$i];
            if ($d !== 0) {
                $d = $d < 0 ? -$d : $d;
                $sum += $d;
                if ($d > $largest) {
                    $largest = $d;
                }
            }
        }

        return ['mean' => $sum / self::BYTES, 'largest' => $largest];
    }
}
