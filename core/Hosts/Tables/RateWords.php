<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** A rate, or a range of rates, as people write it: 8 Mb/s; 35–45; 40 to 60 Mbps; 1,5 Mbit/s; 8000k; at most 12. */
final readonly class RateWords
{
    private const NUMBER = '\d{1,3}(?:[ ’\']\d{3})+|\d+(?:[.,]\d+)*';

    /** Letters of units, and the bits per second of one. */
    private const UNITS = ['g' => 1_000_000_000, 'm' => 1_000_000, 'k' => 1_000];

    /** Figures from which no unit means kilobits: nobody asks for 500 Mb/s, or for less than 500 kb/s in whole kilobits. */
    private const KILOBITS_FROM = 200;

    /**
     * @param  int|null  $low  bits per second; null where only the upper end is said
     * @param  int|null  $high  bits per second; null where only the lower end is said; the same as the lower for one figure
     * @param  bool  $guessed  the unit is a guess from the size of the figures
     */
    private function __construct(public ?int $low, public ?int $high, public bool $guessed)
    {
    }

    /** @param  int|null  $unit  bits per second of the unit that is in force where the text says none */
    public static function of(string $text, ?int $unit): ?self
    {
        // Marks of footnotes, what is said besides in brackets, and rates of frames are no rates of bits.
        $text = preg_replace(['~[¹²³⁰-⁹†‡]+|\[\w{1,2}\]|\*+~u', '~\([^)]*\)~u', '~\d+([.,]\d+)?\s*(fps|hz)~i'], ['', '', ''], $text) ?? '';
        if (preg_match_all('~'.self::NUMBER.'~u', $text, $found) < 1 || count($found[0]) > 2) {
            return null;
        }
        $units = self::units($text, true);
        $perFigure = $units === [] ? $unit : $units[count($units) - 1];
        $guessed = $perFigure === null;
        $perFigure ??= self::figure($found[0][count($found[0]) - 1], null) >= self::KILOBITS_FROM ? self::UNITS['k'] : self::UNITS['m'];
        $bits = [];
        foreach ($found[0] as $i => $number) {
            // 800 kb/s to 1.2 Mb/s: each figure has its own.
            $per = count($units) === 2 ? $units[$i] : $perFigure;
            $bits[] = (int) round(self::figure($number, $per) * $per);
        }
        sort($bits);
        [$low, $high] = [$bits[0], $bits[count($bits) - 1]];

        return match (true) {
            $low < 1 => null,
            count($bits) === 2 => new self($low, $high, $guessed),
            preg_match('~up to|at most|max|below|under|[<≤]~iu', $text) === 1 => new self(null, $high, $guessed),
            preg_match('~at least|from|min|above|over|[>≥]|\d\s*\+~iu', $text) === 1 => new self($low, null, $guessed),
            default => new self($low, $high, $guessed),
        };
    }

    /**
     * Bits per second of the last unit that a text names; null where it names none. MB/s counts bytes, Mb/s and Mbps bits.
     *
     * @param  bool  $bare  a letter behind a figure is one: 8000k
     */
    public static function unit(string $text, bool $bare = false): ?int
    {
        $units = self::units($text, $bare);

        return $units === [] ? null : $units[count($units) - 1];
    }

    /** @return list<int> */
    private static function units(string $text, bool $bare): array
    {
        $units = [];
        $unit = '~(?<![a-z])([gmk])(b|bits?)?(ps|/s(?:ec)?|\s*per second)?(?![a-z])~iu';
        preg_match_all($unit, $text, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        foreach ($found as $match) {
            [$counted, $per] = [$match[2][0] ?? '', $match[3][0] ?? ''];
            $isBehindFigure = preg_match('~\d\s?$~', substr($text, 0, $match[0][1])) === 1;
            if ($counted !== '' || ($bare && $isBehindFigure)) {
                $units[] = self::UNITS[mb_strtolower($match[1][0])] * ($counted === 'B' && in_array($per, ['/s', 'ps'], true) ? 8 : 1);
            }
        }

        return $units;
    }

    /** A comma before three digits parts thousands, but in megabits, where nobody needs thousands. */
    private static function figure(string $number, ?int $unit): float
    {
        $number = preg_replace('~[ ’\']~u', '', $number) ?? $number;
        $isThousands = preg_match('~^\d{1,3}([.,]\d{3})+$~', $number) === 1 && ($unit === null || $unit <= self::UNITS['k']);

        return (float) ($isThousands ? str_replace(['.', ','], '', $number) : str_replace(',', '.', $number));
    }
}
