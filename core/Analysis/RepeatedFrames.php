<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;

/** Frames that repeat in a rhythm: fewer pictures a second were made than the file plays, such as 15 in 30, or 24 in 30. */
final readonly class RepeatedFrames
{
    /** Frames looked at together; a multiple of every rhythm. */
    private const BLOCK = 60;

    private const RHYTHMS = [2, 3, 4, 5];

    /** A repeat differs by no more than this share of what a moving frame does, and never by more than half a step of 255. */
    private const SHARE = 0.1;

    private const MOST = 0.5;

    /** Below this a picture stands still, and nothing can be told. */
    private const LEAST_MOTION = 0.15;

    /**
     * @param  int  $period  frames after which the rhythm begins again
     * @param  int  $distinct  of them that show something new
     * @param  bool  $fields  the rhythm lies in the fields of interlaced frames: 2:3 pulldown
     */
    private function __construct(public int $period, public int $distinct, public bool $fields)
    {
    }

    /** Null when there is none, in most of the parts that move. */
    public static function in(Facts $facts): ?self
    {
        $found = [];
        $moving = 0;
        for ($from = 1; $from + self::BLOCK <= $facts->frames() || $from === 1; $from += self::BLOCK) {
            $block = $facts->of(Measure::Difference)->slice($from, self::BLOCK);
            if (count($block) < 20) {
                break;
            }
            $sorted = $block;
            sort($sorted);
            $motion = $sorted[(int) (count($sorted) * 0.9)];
            if ($motion < self::LEAST_MOTION) {
                continue;
            }
            $moving++;
            $limit = min(self::MOST, $motion * self::SHARE);
            $rhythm = self::rhythm(array_map(static fn (float $d): bool => $d <= $limit, $block));
            if ($rhythm !== null) {
                $key = "{$rhythm[0]}/{$rhythm[1]}";
                $found[$key] = ($found[$key] ?? 0) + 1;
            }
        }
        arsort($found);
        $key = array_key_first($found);
        if ($key !== null && $found[$key] > $moving * 0.6) {
            [$period, $distinct] = array_map(intval(...), explode('/', $key));

            return new self($period, $distinct, false);
        }

        return self::pulldown($facts);
    }

    /** @return array{period: int, distinct: int, fields: bool, rate: string, label: string} */
    public function toArray(FrameRate $rate): array
    {
        return [
            'period' => $this->period,
            'distinct' => $this->distinct,
            'fields' => $this->fields,
            'rate' => (string) $this->rate($rate),
            'label' => $this->label($rate),
        ];
    }

    /** Pictures a second that were made. */
    public function rate(FrameRate $rate): FrameRate
    {
        return new FrameRate($rate->perSecond->times(new Fraction($this->distinct, $this->period)));
    }

    public function label(FrameRate $rate): string
    {
        $how = $this->fields
            ? 'fields repeat in a 2:3 rhythm'
            : $this->period - $this->distinct.' of every '.$this->period.' frames repeat';

        return "{$this->rate($rate)->label()} in {$rate->label()}: {$how}";
    }

    /**
     * The shortest period in which every place either always or never repeats.
     *
     * @param  list<bool>  $repeats
     * @return array{int, int}|null period and distinct frames
     */
    private static function rhythm(array $repeats): ?array
    {
        foreach (self::RHYTHMS as $period) {
            $shares = array_map(static fn (int $place): float => self::share($repeats, $place, $period), range(0, $period - 1));
            $distinct = count(array_filter($shares, static fn (float $share): bool => $share <= 0.1));
            $repeated = count(array_filter($shares, static fn (float $share): bool => $share >= 0.9));
            if ($distinct > 0 && $repeated > 0 && $distinct + $repeated === $period) {
                return [$period, $distinct];
            }
        }

        return null;
    }

    /**
     * How often a place of the rhythm repeats.
     *
     * @param  list<bool>  $repeats
     */
    private static function share(array $repeats, int $place, int $period): float
    {
        $all = 0;
        $repeated = 0;
        for ($i = $place; $i < count($repeats); $i += $period) {
            $all++;
            $repeated += $repeats[$i] ? 1 : 0;
        }

        return $repeated / max(1, $all);
    }

    /** In 2:3 pulldown two of five frames carry a field of the frame before (SMPTE RP 197), always at the same two places. */
    private static function pulldown(Facts $facts): ?self
    {
        $scan = TrueScan::in($facts)->scan;
        if ($scan === null || ! $scan->isInterlaced()) {
            return null;
        }
        $repeats = array_map(static fn (float $value): bool => $value > 0, $facts->of(Measure::RepeatedField)->all());
        $shares = array_map(static fn (int $place): float => self::share($repeats, $place, 5), range(0, 4));
        rsort($shares);

        // A field repeats exactly only before it was coded; what coding leaves of that is found in most of them.
        return $shares[1] > 0.4 && $shares[2] < $shares[1] / 3 ? new self(5, 4, true) : null;
    }
}
