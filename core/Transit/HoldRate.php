<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\Bitrate;

/**
 * Finds the average that the pieces have to be encoded at, so that they, each counted for what it stands for, come to the average that
 * the whole is to have: pieces that are busier than the whole get more, and calm ones less. All pieces are encoded in one go, in two
 * passes, so that the encoder spends among them what it would spend among the parts of the whole; one by one, each would be given the
 * average, and overshoot it by as much as 1.7 times.
 */
final class HoldRate
{
    /** How near is near enough: a rate that is 3 % off moves the likeness by about 0.05 dB, less than pieces differ by. */
    public const NEAR = 0.05;

    /**
     * How near is near enough after a second try: encoders come 3 % apart of the same, and a third one is as likely to be further off. A
     * first one that begins where another of its like ended is as good as a second.
     */
    public const AFTER_TWO = 0.07;

    /**
     * How near is near enough for an upload of so many times what its host makes of it, the most first: what comes back gains 0.1 dB of
     * twice the rate from four times on, and 0.25 dB from twice on (means of ten cuts; 0.02 and 0.04 dB of these shares).
     */
    public const OF_PLENTY = [4 => self::MOST_OFF, 2 => 0.1];

    /** What is further off than this is not what was asked for. */
    public const MOST_OFF = 0.12;

    /** Averages that are tried at most; each costs an encoding of all pieces. */
    public const MOST = 3;

    /** How far the average is moved at once: where a picture cannot use more, more is not asked without end. */
    private const FURTHEST = 2.0;

    /** How many more bits an encoder in two passes gives what has more to code: this power of it, measured on scenes 30 times apart. */
    private const POWER = 0.7;

    /** Of what is asked, what an encoder spends at least that can use more: less, and a peak or the picture itself bounds it. */
    private const SPENT = 0.8;

    /** Of a change of the average, what has to come of it for the picture to be able to use more. */
    private const FOLLOWS = 1 / 3;

    /**
     * How much too much is left where a second try changed nothing: a peak bounds what is busy then, and what is over goes to calm pieces,
     * which lose next to nothing at any rate (six renditions of a cut that came 7 % under to 13 % over were all scored within 0.07 dB of
     * the whole). Further off, it is asked for less once more.
     */
    private const LEFT_OVER = 0.15;

    /** How strongly a first try that came to too much is lowered: two in three fall by more than they are asked to. */
    private const LOWERED = 0.8;

    /** How strongly what is asked is moved at most for what came of two tries: two that are much alike tell a slope that is chance. */
    private const STEEPEST = 1.5;

    /**
     * The average to begin with: what pieces that are busier or calmer than the whole get of it, as far as what there is to code tells.
     *
     * @param  float  $wanted  bits per second that the whole is to have
     * @param  non-empty-list<TestPiece>  $pieces
     */
    public static function first(float $wanted, array $pieces): float
    {
        $frames = $own = 0.0;
        foreach ($pieces as $piece) {
            $frames += $piece->frames->count();
            $own += $piece->frames->count() * self::timesTheAverage($piece, $pieces);
        }

        return self::within($wanted, $wanted * $own / max(1e-9, $frames));
    }

    /**
     * What a piece takes beside the average of the whole where no peak holds it back, as far as what there is to code tells.
     *
     * @param  list<TestPiece>  $pieces  that stand for the whole
     */
    public static function timesTheAverage(TestPiece $piece, array $pieces): float
    {
        $bits = static fn (TestPiece $one): float => max(1e-6, $one->effort) ** self::POWER;
        $whole = array_sum(array_map(static fn (TestPiece $one): float => $one->share * $one->weight * $bits($one), $pieces));

        return $bits($piece) / max(1e-9, $whole);
    }

    /**
     * What was right for most files of a kind, whose rate-controlled encoders come a few per cent apart of the very same.
     *
     * @param  list<float>  $right  above 0: what was right for each, times what was foretold of it
     * @return float|null their geometric mean; null of none
     */
    public static function usual(array $right): ?float
    {
        return $right === [] ? null : exp(array_sum(array_map(log(...), $right)) / count($right));
    }

    /** An average that is not further off the wanted one than is moved at once. */
    public static function within(float $wanted, float $asked): float
    {
        return max($wanted / self::FURTHEST, min($wanted * self::FURTHEST, $asked));
    }

    /**
     * How near is near enough for a first try of an upload, as a share of its average.
     *
     * @param  Bitrate|null  $wanted  of the upload; null where its quality or its codec leads
     * @param  non-empty-list<Bitrate|null>  $passedOn  of what the host makes of it; null where quality leads
     */
    public static function nearOf(?Bitrate $wanted, array $passedOn): float
    {
        $rates = array_map(static fn (?Bitrate $rate): float => (float) ($rate->bitsPerSecond ?? INF), $passedOn);

        foreach (self::OF_PLENTY as $times => $near) {
            if (($wanted->bitsPerSecond ?? 0) >= $times * max($rates)) {
                return $near;
            }
        }

        return self::NEAR;
    }

    /**
     * The average to try next, in bits per second; null where one that was tried is near enough, or asking for another changes nothing.
     *
     * @param  float  $wanted  bits per second that the whole is to have
     * @param  list<array{float, float, float}>  $tried  each an average that was asked for, what the pieces stand for with it, and what
     *     they came to themselves; the first one is that of first()
     * @param  float  $near  how near is near enough for the first one, as a share
     * @param  bool  $isBound  others of its kind hardly followed what was asked for
     */
    public static function next(float $wanted, array $tried, float $near = self::NEAR, bool $isBound = false): ?float
    {
        if ($tried === [] || count($tried) >= self::MOST) {
            return null;
        }
        $nearest = self::nearest($wanted, $tried);
        [$asked, $came, $spent] = $tried[$nearest];
        $near = count($tried) > 1 ? max($near, self::AFTER_TWO) : $near;
        if (abs($came / $wanted - 1) <= $near || ($came < $wanted && $spent < self::SPENT * $asked)) {
            return null;
        }
        if ($came < $wanted * (1 + self::LEFT_OVER) && (self::isBound($tried) || ($isBound && $came > $wanted))) {
            return null;
        }
        $power = $came > $wanted ? self::LOWERED : 1.0;
        if (count($tried) > 1) {
            [$moved, $follows] = self::moved($tried);
            // Through both, so that one between two is not asked for as either; where more brought less, as if there were one. What came
            // to too much and hardly fell is lowered further, as far as one try goes.
            $power = match (true) {
                abs($follows) < self::NEAR / 3 => self::STEEPEST,
                $moved / $follows > 0 => min(self::STEEPEST, $moved / $follows),
                default => 1.0,
            };
        }

        return $asked * max(1 / self::FURTHEST, min(self::FURTHEST, ($wanted / $came) ** $power));
    }

    /**
     * Whether a second try hardly followed what was asked for.
     *
     * @param  list<array{float, float, float}>  $tried  as next() takes them
     */
    public static function isBound(array $tried): bool
    {
        if (count($tried) < 2) {
            return false;
        }
        [$moved, $follows] = self::moved($tried);

        return abs($follows) < self::NEAR / 3 || abs($follows) < self::FOLLOWS * abs($moved);
    }

    /**
     * How far the first two tries lie apart, as logarithms: in what was asked for, and in what came.
     *
     * @param  list<array{float, float, float}>  $tried  two or more
     * @return array{float, float}
     */
    private static function moved(array $tried): array
    {
        return [log($tried[1][0] / $tried[0][0]), log($tried[1][1] / $tried[0][1])];
    }

    /**
     * The place of the one that came nearest.
     *
     * @param  non-empty-list<array{0: float|int, 1: float, 2?: float}>  $tried  each what was asked for, and the bits per second that came
     *     of it
     */
    public static function nearest(float $wanted, array $tried): int
    {
        $off = array_map(static fn (array $one): float => abs(log($one[1] / $wanted)), $tried);

        return (int) array_search(min($off), $off, true);
    }
}
