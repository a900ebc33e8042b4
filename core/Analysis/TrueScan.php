<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Formats\Picture\Scan;

/** What the fields of the picture say of its scan, whatever the header claims. */
final readonly class TrueScan
{
    /** Combing in this share of the samples that could be told makes a cut interlaced. Busy texture alone comes to less. */
    private const SHARE = 0.5;

    private const FEWEST = 2;

    /** @param  array{progressive: int, tff: int, bff: int, unknown: int}  $samples */
    private function __construct(public ?Scan $scan, public array $samples)
    {
    }

    public static function in(Facts $facts): self
    {
        $counts = [0, 0, 0, 0];
        foreach ($facts->of(Measure::Fields)->all() as $code) {
            $counts[(int) $code] = ($counts[(int) $code] ?? 0) + 1;
        }
        [$unknown, $progressive, $top, $bottom] = $counts;
        $told = $progressive + $top + $bottom;
        $scan = match (true) {
            $told < self::FEWEST => null,
            ($top + $bottom) / $told < self::SHARE => Scan::Progressive,
            default => $top >= $bottom ? Scan::TopFieldFirst : Scan::BottomFieldFirst,
        };

        return new self($scan, ['progressive' => $progressive, 'tff' => $top, 'bff' => $bottom, 'unknown' => $unknown]);
    }
}
