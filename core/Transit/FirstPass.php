<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Encoding\BufferLevel;
use OuterCrate\Encoding\Spending;
use OuterCrate\Encoding\Statistics;

/** What the first pass over pieces tells of how the second will share an average out among them, before any is encoded. */
final readonly class FirstPass
{
    /**
     * Of a peak, what the busiest scene takes at most where that holds nothing of the whole back: scenes are uneven, and of two cuts whose
     * busiest took nine tenths one was held back.
     */
    private const UNDER = 0.85;

    /**
     * Of a buffer, what pieces are left beside what they draw out of it: the tenth that an encoder in two passes plans to keep (x264,
     * ratecontrol.c, find_underflow), and as much again, by which it stays above that in a cut at its peak.
     */
    private const KEPT = 0.2;

    private function __construct(private Statistics $statistics)
    {
    }

    /**
     * @param  iterable<string>  $lines  as encoders of H.264 and HEVC write them
     * @return self|null null where they do not tell
     */
    public static function of(iterable $lines): ?self
    {
        $statistics = Statistics::of($lines);

        return $statistics === null ? null : new self($statistics);
    }

    /**
     * What has to be asked for so that the whole comes to an average.
     *
     * @param  float  $wanted  bits per second of the whole
     * @param  non-empty-list<TestPiece>  $pieces  as they lie in what was encoded
     * @param  list<int>  $starts  frames of it at which they begin
     * @param  float  $perSecond  frames
     * @param  int|null  $peak  bits per second
     * @param  int|null  $buffer  bits
     * @param  float|null  $left  of the buffer, what is full at first, 0 to 1; null where that is not told to the encoder
     */
    public function begin(
        float $wanted,
        array $pieces,
        array $starts,
        int $keyframeEvery,
        float $perSecond,
        ?int $peak,
        ?int $buffer,
        ?float $left,
    ): Beginning {
        $whole = new WholeRate($pieces, $keyframeEvery, $perSecond);
        $byPiece = $this->byPiece($starts);
        $free = static fn (float $step): array => self::spent($byPiece, $step, null);
        $step = Statistics::step($wanted, static fn (float $step): float => $whole->of(self::placed($free($step))));
        $atFree = $free($step);
        $scenes = self::scenes($byPiece, $pieces, $keyframeEvery, $perSecond);
        $busiest = max(0.0, ...array_map(static fn (Scene $scene): float => $scene->rate($step), $scenes));
        if ($peak === null || $busiest <= self::UNDER * $peak) {
            // Pieces have more keyframes, which would lift them above a peak that the whole lies under.
            $most = max(0.0, ...array_map(static fn (array $frames): float => self::rate([$frames], $perSecond), $atFree));

            return new Beginning(self::rate($atFree, $perSecond), $peak === null ? null : (int) max($peak, $most));
        }
        // Far above a peak, an encoder's own plan does not hold (a scene of 42 times its peak was given 0.7 of it): there ReelOrder tells.
        if ($buffer > 0 && $left !== null && $left >= ReelOrder::MOST) {
            $left = self::left($wanted, $scenes, $peak, $buffer);
        }
        $spent = static fn (float $step): array => self::spent(
            $byPiece,
            $step,
            new BufferLevel($peak / $perSecond, $buffer ?? 0, $left ?? BufferLevel::AT_FIRST),
        );
        $step = Statistics::step($wanted, static fn (float $step): float => $whole->of(self::placed($spent($step))));

        return new Beginning(self::rate($spent($step), $perSecond), left: $left);
    }

    /**
     * Of a buffer, what has to be full where the first piece begins for each to have what its scene has in the whole: a piece has a
     * keyframe to itself, which many frames of a scene share.
     *
     * @param  list<Scene>  $scenes  in the order in which their pieces lie
     * @return float 0 to 1
     */
    private static function left(float $wanted, array $scenes, int $peak, int $buffer): float
    {
        $most = array_map(static fn (Scene $scene): float => $scene->most($peak, $buffer), $scenes);
        $whole = static fn (float $step): float => array_sum(array_map(
            static fn (Scene $scene, float $most): float => $scene->piece->share * $scene->piece->weight * min($most, $scene->rate($step)),
            $scenes,
            $most,
        ));
        $step = Statistics::step($wanted, $whole);
        $drawn = $deepest = 0.0;
        foreach ($scenes as $i => $scene) {
            $drawn = max(0.0, $drawn) + $scene->bits($most[$i], $step, $buffer) - $peak * $scene->seconds();
            $deepest = max($deepest, $drawn);
        }

        return max(ReelOrder::LEAST, min(BufferLevel::AT_FIRST, self::KEPT + $deepest / $buffer));
    }

    /**
     * @param  list<list<array{at: int, key: bool, spends: Spending}>>  $byPiece
     * @param  list<TestPiece>  $pieces
     * @return list<Scene>
     */
    private static function scenes(array $byPiece, array $pieces, int $keyframeEvery, float $perSecond): array
    {
        $scenes = [];
        foreach ($byPiece as $i => $frames) {
            $frames === [] ?: $scenes[] = new Scene($pieces[$i], $frames, $keyframeEvery, $perSecond);
        }

        return $scenes;
    }

    /**
     * Bits per second of pieces.
     *
     * @param  list<list<array{float, bool}>>  $spent  by piece
     */
    private static function rate(array $spent, float $perSecond): float
    {
        $bits = array_merge(...array_map(static fn (array $frames): array => array_column($frames, 0), $spent));

        return array_sum($bits) * $perSecond / max(1, count($bits));
    }

    /**
     * @param  list<int>  $starts
     * @return list<list<array{at: int, key: bool, spends: Spending}>>
     */
    private function byPiece(array $starts): array
    {
        $byPiece = array_map(static fn (): array => [], $starts);
        foreach ($this->statistics->frames as $frame) {
            $piece = 0;
            foreach ($starts as $i => $start) {
                $piece = $frame['at'] >= $start ? $i : $piece;
            }
            $byPiece[$piece][] = $frame;
        }

        return $byPiece;
    }

    /**
     * Bits of each frame at a step as far as a peak lets them through, one piece after another, and whether it is a keyframe.
     *
     * @param  list<list<array{at: int, key: bool, spends: Spending}>>  $byPiece
     * @return list<list<array{float, bool}>>
     */
    private static function spent(array $byPiece, float $step, ?BufferLevel $level): array
    {
        $spent = [];
        foreach ($byPiece as $frames) {
            $free = array_map(static fn (array $frame): float => $frame['spends']->at($step), $frames);
            $through = $level?->through(count($frames), array_sum($free)) ?? 1.0;
            $spent[] = array_map(
                static fn (float $bits, array $frame): array => [$through * $bits, $frame['key']],
                $free,
                $frames,
            );
        }

        return $spent;
    }

    /**
     * @param  list<list<array{float, bool}>>  $spent  by piece
     * @return list<array{int, int, bool}> as WholeRate takes them
     */
    private static function placed(array $spent): array
    {
        $placed = [];
        foreach ($spent as $piece => $frames) {
            foreach ($frames as [$bits, $isKeyframe]) {
                $placed[] = [$piece, (int) round($bits / 8), $isKeyframe];
            }
        }

        return $placed;
    }
}
