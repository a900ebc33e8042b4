<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** What a heading says of the figures under it, or a name of the figures beside it. */
final readonly class ColumnWords
{
    /** Frames per second up to which a rate is a usual one. */
    private const USUAL = 31;

    /**
     * @param  bool|null  $high  for high frame rates; null for any
     * @param  bool|null  $hdr  null for any dynamic range
     * @param  int|null  $unit  bits per second that a figure counts; null where the heading does not say
     * @param  string|null  $end  which end of a range its figures are: low, high; null for all of it
     * @param  bool  $other  its figures are of something else than the picture's rate
     */
    public function __construct(
        public ?bool $high = null,
        public ?bool $hdr = null,
        public ?int $unit = null,
        public ?string $end = null,
        public bool $other = false,
    ) {
    }

    public static function of(string $heading): self
    {
        $text = mb_strtolower($heading);
        $says = static fn (string $pattern): bool => preg_match("~{$pattern}~u", $text) === 1;
        $figures = preg_match_all('~(?<![\d.,])(\d{2,3}(?:[.,]\d+)?)(?:\s*(?:fps|hz|frames)|p?\b)~u', $text, $m);
        $rates = $figures > 0 && $says('fps|hz|frame|rate')
            ? array_map(static fn (string $rate): float => (float) str_replace(',', '.', $rate), $m[1])
            : [];

        return new self(
            high: match (true) {
                $says('high(er)? frame|high[ -]?fps|hfr|high rate') => true,
                $says('(standard|normal|low(er)?) frame|(standard|normal) (fps|rate)') => false,
                $rates !== [] => min($rates) > self::USUAL ? true : (max($rates) <= self::USUAL ? false : null),
                preg_match('~\d{3,4}[pi](\d{2,3})(?!\d)~', $text, $m) === 1 => (int) $m[1] > self::USUAL,
                default => null,
            },
            hdr: $says('(?<![a-z])hdr') ? true : ($says('(?<![a-z])sdr') ? false : null),
            unit: RateWords::unit($heading),
            end: $says('\bmin(imum)?\b|at least|from') ? 'low' : ($says('\bmax(imum)?\b|at most|\bto\b|peak') ? 'high' : null),
            other: $says('audio|sound|channels|codec|level|size in|file size|storage|data per'),
        );
    }

    /** What it says, and what it leaves open as another says it. */
    public function within(self $outer): self
    {
        return new self(
            $this->high ?? $outer->high,
            $this->hdr ?? $outer->hdr,
            $this->unit ?? $outer->unit,
            $this->end ?? $outer->end,
            $this->other || $outer->other,
        );
    }
}
