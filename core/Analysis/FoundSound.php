<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Json\Fields;

/** What an analysis heard of sound. */
final readonly class FoundSound
{
    /**
     * @param  float|null  $integrated  loudness in LUFS; null when silent
     * @param  float|null  $truePeak  in dBTP
     * @param  list<float>  $shortTerm  loudness once a second, in LUFS
     */
    public function __construct(public ?float $integrated = null, public ?float $truePeak = null, public array $shortTerm = [])
    {
    }

    /** Null where it is not told. */
    public static function in(Fields $told): ?self
    {
        $curve = array_filter($told->within('shortTerm')->all(), static fn (mixed $value): bool => is_int($value) || is_float($value));

        return $told->has('shortTerm')
            ? new self($told->float('integrated'), $told->float('truePeak'), array_map(floatval(...), array_values($curve)))
            : null;
    }

    /**
     * Loudness of a part, from the short-term loudness inside it: within a few tenths of an LU of the exact one.
     *
     * @param  float  $from  in seconds
     * @param  float  $to  in seconds
     */
    public function between(float $from, float $to): ?float
    {
        $first = (int) floor($from);
        // A value of the curve tells of the three seconds before it.
        $part = array_slice($this->shortTerm, $first, max(1, (int) ceil($to) - $first));

        return Loudness::gated($part);
    }

    /** The same with so many dB less. */
    public function lowered(float $decibels): self
    {
        $lower = static fn (?float $value): ?float => $value === null ? null : $value - $decibels;

        return new self(
            $lower($this->integrated),
            $lower($this->truePeak),
            array_map(static fn (float $value): float => $value - $decibels, $this->shortTerm),
        );
    }
}
