<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/**
 * What an encoder found of the pieces in its first pass: bits of each frame and the quantiser that they were spent at. It tells how the
 * second pass will share an average out among the pieces, before any is encoded.
 */
final readonly class FirstPass
{
    /** Names under which encoders leave it. */
    public const FILES = ['statistics-0.log', 'statistics'];

    /** Bits of the picture go by this power of the quantiser's step, those of movement by the next (x264, ratecontrol.c, qscale2bits). */
    private const TEXTURE = 1.1;

    private const MOVEMENT = 0.5;

    /** How much smaller the step of a keyframe is than that of the frames that follow it (x264, --ipratio). */
    private const KEYFRAME = 1.4;

    /** Of what is full of a decoder's buffer, what an encoder lets a piece have: it keeps some for what follows. */
    private const BUFFER = 0.5;

    /** Of a buffer, what encoders take to be full at first. */
    private const FULL = 0.9;

    /** Halvings after which a step is found to a thousandth. */
    private const ROUNDS = 40;

    /** @param  non-empty-list<array{at: int, key: bool, step: float, texture: int, movement: int, rest: int}>  $frames  bits of each */
    private function __construct(private array $frames)
    {
    }

    /**
     * @param  iterable<string>  $lines  as encoders of H.264 and HEVC write them
     * @return self|null null where another encoder wrote them, or where it shares out by something else than one step for all frames
     */
    public static function of(iterable $lines): ?self
    {
        $frames = [];
        foreach ($lines as $line) {
            if (str_starts_with($line, '#options:') && preg_match('~(mbtree|cutree)=1|(?<!no-)cutree~', $line) !== 1) {
                return null;
            }
            if (preg_match('~^in:(\d+) .*?type:(\w).*? q:([\d.]+) .*?tex:(\d+) mv:(\d+) misc:(\d+)~', $line, $m) === 1) {
                $frames[] = [
                    'at' => (int) $m[1],
                    'key' => $m[2] === 'I',
                    // x264, ratecontrol.c, qp2qscale; HEVC's scale doubles every six as well.
                    'step' => 0.85 * 2 ** (((float) $m[3] - 12) / 6),
                    'texture' => (int) $m[4],
                    'movement' => (int) $m[5],
                    'rest' => (int) $m[6],
                ];
            }
        }

        return $frames === [] ? null : new self($frames);
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
     * @return float bits per second of the pieces
     */
    public function ask(
        float $wanted,
        array $pieces,
        array $starts,
        int $keyframeEvery,
        float $perSecond,
        ?int $peak,
        ?int $buffer,
        ?float $left,
    ): float {
        $whole = new WholeRate($pieces, $keyframeEvery, $perSecond);
        $byPiece = $this->byPiece($starts);
        [$finest, $coarsest] = [0.01, 1000.0];
        $average = $wanted;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $step = sqrt($finest * $coarsest);
            $free = array_map(static fn (array $ofPiece): array => self::spent($ofPiece, $step), $byPiece);
            $capped = $peak === null
                ? $free
                : self::capped($free, $peak / $perSecond, $buffer ?? 0, ($left ?? self::FULL) * ($buffer ?? 0));
            $average = $this->rate($capped, $perSecond);
            if ($whole->of(self::placed($capped)) > $wanted) {
                $finest = $step;
            } else {
                $coarsest = $step;
            }
        }

        return $average;
    }

    /**
     * @param  list<list<array{float, bool}>>  $spent  by piece
     */
    private function rate(array $spent, float $perSecond): float
    {
        $bits = array_sum(array_map(static fn (array $frames): float => array_sum(array_column($frames, 0)), $spent));

        return $bits * $perSecond / count($this->frames);
    }

    /**
     * @param  list<int>  $starts
     * @return list<list<array{at: int, key: bool, step: float, texture: int, movement: int, rest: int}>>
     */
    private function byPiece(array $starts): array
    {
        $byPiece = array_map(static fn (): array => [], $starts);
        foreach ($this->frames as $frame) {
            $piece = 0;
            foreach ($starts as $i => $start) {
                $piece = $frame['at'] >= $start ? $i : $piece;
            }
            $byPiece[$piece][] = $frame;
        }

        return $byPiece;
    }

    /**
     * Bits of each frame at a step, and whether it is a keyframe.
     *
     * @param  list<array{at: int, key: bool, step: float, texture: int, movement: int, rest: int}>  $frames
     * @return list<array{float, bool}>
     */
    private static function spent(array $frames, float $step): array
    {
        $spent = [];
        foreach ($frames as $frame) {
            $own = $frame['key'] ? $step / self::KEYFRAME : $step;
            $bits = $frame['texture'] * ($frame['step'] / $own) ** self::TEXTURE
                + $frame['movement'] * (max(1.0, $frame['step']) / max(1.0, $own)) ** self::MOVEMENT
                + $frame['rest'];
            $spent[] = [$bits, $frame['key']];
        }

        return $spent;
    }

    /**
     * What a peak lets through, one piece after another, each with what the ones before it left of the buffer.
     *
     * @param  list<list<array{float, bool}>>  $spent  by piece
     * @param  float  $perFrame  bits with which the buffer is filled
     * @param  float  $buffer  bits
     * @param  float  $full  bits of it that are full at first
     * @return list<list<array{float, bool}>>
     */
    private static function capped(array $spent, float $perFrame, float $buffer, float $full): array
    {
        $capped = [];
        foreach ($spent as $frames) {
            $bits = array_sum(array_column($frames, 0));
            $comes = count($frames) * $perFrame;
            $through = min(1.0, ($comes + self::BUFFER * $full) / max(1.0, $bits));
            $full = max(0.0, min($buffer, $full + $comes - $through * $bits));
            $capped[] = array_map(static fn (array $frame): array => [$through * $frame[0], $frame[1]], $frames);
        }

        return $capped;
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
