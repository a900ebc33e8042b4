<?php

namespace App\Teaching;

use App\Transit\Encoded;
use App\Transit\Likeness;
use App\Transit\StandIn;
use Closure;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\QualityScale;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Measures\OverTime;
use OuterCrate\Teaching\FitQuality;
use OuterCrate\Teaching\LearntRung;
use OuterCrate\Teaching\LearntTier;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\Outcome;
use OuterCrate\Units\Bitrate;

/** Finds out how a host codes by letting the stand-in make the same files, and tells how near it comes. */
class LadderFit
{
    /** Lines of the rendition by which an encoder's speed is told: what it wins shows at any size, and a small one is made quickly. */
    private const TELLING = 360;

    public function __construct(
        private readonly StandIn $standIn,
        private readonly Likeness $likeness,
        private readonly Catalogue $catalogue,
    ) {
    }

    /**
     * The tier with the quality that leads, where rates that lie far apart come from one.
     *
     * @param  list<SeenLesson>  $lessons
     * @param  Closure(): bool  $shouldStop
     */
    public function withQualities(LearntTier $tier, array $lessons, Closure $shouldStop): LearntTier
    {
        $ladder = array_map(function (LearntRung $rung) use ($lessons, $shouldStop): LearntRung {
            $scale = $this->catalogue->video($rung->codec())->quality();
            if ($rung->isSteady() || $scale === null) {
                return $rung;
            }
            $fitted = [];
            foreach (array_keys($rung->seen) as $at) {
                $host = $this->measured($rung, $lessons[$at]);
                $host === null ?: $fitted[] = $this->quality($rung, $scale, $host, $lessons[$at], $shouldStop);
            }
            $quality = $fitted === [] ? null : FitQuality::common($scale, $fitted);

            return $quality === null ? $rung : $rung->withQuality($quality);
        }, $tier->ladder);

        return new LearntTier($tier->when, $tier->lessons, $ladder);
    }

    /**
     * How long a host lets its encoder search: the speed at which the stand-in leaves what the host's file does.
     *
     * @param  list<SeenLesson>  $lessons
     * @param  Closure(): bool  $shouldStop
     */
    public function speed(LearntTier $tier, array $lessons, Closure $shouldStop): string
    {
        $rungs = $tier->ladder;
        usort($rungs, fn (LearntRung $a, LearntRung $b): int => $this->fromTelling($a) <=> $this->fromTelling($b));
        $at = array_key_first($rungs[0]->seen) ?? 0;
        $rung = $rungs[0];
        $off = fn (string $speed): float => $this->compared($rung->rung($speed), $rung, $lessons[$at], $shouldStop)['ssimOff'] ?? INF;
        $medium = $off('medium');
        // At the same rate more search leaves more.
        $other = $medium > 0 ? 'fast' : 'slow';

        return abs($off($other)) < abs($medium) ? $other : 'medium';
    }

    /**
     * What the stand-in makes of a lesson's upload by a taught rendition, beside what the host made.
     *
     * @param  Closure(): bool  $shouldStop
     * @return array{kbps: float, ssimDb: float, rateOff: float, ssimOff: float}|null null where the lesson does not show it
     */
    public function compared(Rung $taught, LearntRung $learnt, SeenLesson $lesson, Closure $shouldStop): ?array
    {
        $host = $this->measured($learnt, $lesson);
        if ($host === null) {
            return null;
        }
        // Pieces get what the host gave them there, by as much as the taught average is off from the file's.
        $inPieces = $host->pieceRate / max(1.0, $host->file->rate());
        $rung = $taught->average === null ? $taught : $taught->at(new Bitrate((int) round($taught->average->bitsPerSecond * $inPieces)));
        $made = $this->made($rung, $lesson, $shouldStop);
        $figures = $this->likeness->atAGlance($lesson->reel, $made->material(), $shouldStop);
        $decibels = OverTime::decibels(Outcome::mean($figures['ssim'], $lesson->reel->shares()));

        return [
            'kbps' => round($made->bitsPerSecond / max(0.001, $inPieces) / 1000, 1),
            'ssimDb' => round($decibels, 3),
            'rateOff' => round($made->bitsPerSecond / max(1.0, $host->pieceRate) - 1, 4),
            'ssimOff' => round($decibels - $host->decibels, 3),
        ];
    }

    /** The quality at which the stand-in comes to the host's rate. */
    private function quality(
        LearntRung $learnt,
        QualityScale $scale,
        MeasuredRendition $host,
        SeenLesson $lesson,
        Closure $shouldStop,
    ): int {
        $tried = [];
        for ($next = $scale->usual; $next !== null; $next = FitQuality::next($scale, $tried, $host->pieceRate)) {
            $made = $this->made($learnt->withQuality($next)->rung('medium'), $lesson, $shouldStop);
            $tried[] = [$next, max(1.0, $made->bitsPerSecond)];
        }

        return $tried[HoldRate::nearest($host->pieceRate, $tried)][0];
    }

    private function made(Rung $rung, SeenLesson $lesson, Closure $shouldStop): Encoded
    {
        return $this->standIn->ofPieces($lesson->reel, $lesson->reel->material(), $lesson->lesson->upload, $rung, $shouldStop);
    }

    private function measured(LearntRung $learnt, SeenLesson $lesson): ?MeasuredRendition
    {
        foreach ($lesson->renditions as $one) {
            if (in_array($one->seen, $learnt->seen, true)) {
                return $one;
            }
        }

        return null;
    }

    private function fromTelling(LearntRung $rung): float
    {
        return abs(log($rung->shorterSide / self::TELLING));
    }
}
