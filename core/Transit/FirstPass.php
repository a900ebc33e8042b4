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

    /** Of a decoder's buffer, what a piece finds full: it is nine tenths full at first, and the pieces before it take their part. */
    private const BUFFER = 0.75;

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
     * @param  float  $perSecond  frames
     * @param  int|null  $peak  bits per second
     * @param  int|null  $buffer  bits
     * @return array{average: float, raised: float} bits per second of the pieces, and by how much a peak and a buffer are raised for them:
     *     by what their keyframes take that the whole has not
     */
    public function ask(float $wanted, array $pieces, int $keyframeEvery, float $perSecond, ?int $peak, ?int $buffer): array
    {
        $whole = new WholeRate($pieces, $keyframeEvery, $perSecond);
        $own = new WholeRate(self::forThemselves($pieces), $keyframeEvery, $perSecond);
        [$finest, $coarsest] = [0.01, 1000.0];
        $raised = 1.0;
        $frames = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $step = sqrt($finest * $coarsest);
            $free = $this->spent($step, $pieces, null);
            $raised = max(1.0, $this->rate($free, $perSecond) / max(1.0, $own->of($free)));
            $cap = fn (int $frames): float => $raised * ($peak * $frames / $perSecond + self::BUFFER * ($buffer ?? 0));
            $frames = $peak === null ? $free : $this->spent($step, $pieces, $cap);
            if ($whole->of($frames) > $wanted) {
                $finest = $step;
            } else {
                $coarsest = $step;
            }
        }

        return ['average' => $this->rate($frames, $perSecond), 'raised' => $raised];
    }

    /** @param  list<array{int, int, bool}>  $frames */
    private function rate(array $frames, float $perSecond): float
    {
        return 8 * array_sum(array_column($frames, 1)) * $perSecond / count($this->frames);
    }

    /**
     * @param  non-empty-list<TestPiece>  $pieces
     * @return non-empty-list<TestPiece> each for as much as it is long
     */
    private static function forThemselves(array $pieces): array
    {
        $all = array_sum(array_map(static fn (TestPiece $piece): int => $piece->frames->count(), $pieces));

        return array_map(
            static fn (TestPiece $piece): TestPiece => new TestPiece($piece->frames, $piece->frames->count() / $all, 1.0, $piece->why),
            $pieces,
        );
    }

    /**
     * @param  non-empty-list<TestPiece>  $pieces
     * @param  (callable(int): float)|null  $cap  bits that the peak lets a piece of so many frames have
     * @return list<array{int, int, bool}> as WholeRate takes them
     */
    private function spent(float $step, array $pieces, ?callable $cap): array
    {
        $starts = TestPiece::starts($pieces);
        $bits = array_map(static fn (): float => 0.0, $pieces);
        $frames = [];
        foreach ($this->frames as $frame) {
            $piece = 0;
            foreach ($starts as $i => $start) {
                $piece = $frame['at'] >= $start ? $i : $piece;
            }
            $own = $frame['key'] ? $step / self::KEYFRAME : $step;
            $spent = $frame['texture'] * ($frame['step'] / $own) ** self::TEXTURE
                + $frame['movement'] * (max(1.0, $frame['step']) / max(1.0, $own)) ** self::MOVEMENT
                + $frame['rest'];
            $bits[$piece] += $spent;
            $frames[] = [$piece, $spent, $frame['key']];
        }
        $through = [];
        foreach ($pieces as $i => $piece) {
            $most = $cap === null ? INF : $cap($piece->frames->count());
            $through[] = $bits[$i] > $most ? $most / $bits[$i] : 1.0;
        }

        return array_map(
            static fn (array $frame): array => [$frame[0], (int) round($frame[1] * $through[$frame[0]] / 8), $frame[2]],
            $frames,
        );
    }
}
