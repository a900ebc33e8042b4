<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use Closure;
use OuterCrate\Encoding\Passes\Pass;

/**
 * What an encoder found of a picture in its first pass: bits of each frame and the quantiser that they were spent at. Encoders that weigh
 * a frame by how long others lean on it give all frames one step of the quantiser in the second pass: the one at which they come to the
 * average.
 */
final readonly class Statistics
{
    /** Names under which encoders leave them. */
    public const FILES = [Pass::STATISTICS.'-0.log', Pass::STATISTICS];

    /** Steps of the finest and of the coarsest quantiser there is, and beyond. */
    private const FINEST = 0.01;

    private const COARSEST = 1000.0;

    /** Halvings after which a step is found to a thousandth. */
    private const ROUNDS = 40;

    /**
     * @param  non-empty-list<array{at: int, key: bool, spends: Spending}>  $frames  in the order of decoding; `at` is the place in that of
     *     showing
     */
    private function __construct(public array $frames)
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
                // x264, ratecontrol.c, qp2qscale; HEVC's scale doubles every six as well.
                $step = 0.85 * 2 ** (((float) $m[3] - 12) / 6);
                $isKeyframe = $m[2] === 'I';
                $spends = Spending::ofFrame($isKeyframe, $step, (int) $m[4], (int) $m[5], (int) $m[6]);
                $frames[] = ['at' => (int) $m[1], 'key' => $isKeyframe, 'spends' => $spends];
            }
        }

        return $frames === [] ? null : new self($frames);
    }

    /**
     * What each second of it spends.
     *
     * @param  float  $perSecond  frames
     * @return non-empty-list<Spending>
     */
    public function seconds(float $perSecond): array
    {
        return array_map(
            static fn (array $frames): Spending => Spending::sum(array_column($frames, 'spends')),
            array_chunk($this->frames, max(1, (int) round($perSecond))),
        );
    }

    /**
     * The step at which something comes to what is wanted of it, or the nearest there is.
     *
     * @param  Closure(float): float  $comes  of a step; the coarser, the less
     */
    public static function step(float $wanted, Closure $comes): float
    {
        [$finest, $coarsest] = [self::FINEST, self::COARSEST];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $step = sqrt($finest * $coarsest);
            if ($comes($step) > $wanted) {
                $finest = $step;
            } else {
                $coarsest = $step;
            }
        }

        return sqrt($finest * $coarsest);
    }
}
