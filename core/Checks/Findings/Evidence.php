<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Findings;

use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Transit\Gain;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\TimesTheSize;

/** What transit tests of the cut say of an output, in place of a guess. */
final readonly class Evidence
{
    /** How far an average may lie from a tested one and still be spoken for by it: a quarter moves what is left by hundredths. */
    private const NEAR = 1.25;

    /** @param  list<TestedUpload>  $others  of the same test */
    private function __construct(public TestedUpload $own, private array $others, private string $host)
    {
    }

    /** Null where no test of the cut as it is now, and of the host as it is now, was of such an upload. */
    public static function of(Plan $plan, Subject $subject): ?self
    {
        $host = $plan->spec->host;
        if ($host === null || $subject->tested === []) {
            return null;
        }
        $best = null;
        $least = log(self::NEAR);
        foreach ($subject->tested as $tested) {
            $off = self::isLike($tested, $plan) ? self::off($tested, $plan) : INF;
            if (
                $tested->host === $host->slug && $tested->hostVersion === $host->version &&
                $tested->range->equals($plan->range) && $off < $least
            ) {
                [$best, $least] = [$tested, $off];
            }
        }
        if ($best === null) {
            return null;
        }
        $others = array_values(array_filter(
            $subject->tested,
            static fn (TestedUpload $other): bool => $other->test === $best->test && $other !== $best,
        ));

        return new self($best, $others, $host->name);
    }

    /** @return list<TestedUpload> of the same frame size and codec, the smallest file first */
    public function ofTheSameKind(): array
    {
        return self::bySize(array_filter(
            $this->others,
            fn (TestedUpload $other): bool => $other->codec === $this->own->codec && $other->frame->equals($this->own->frame),
        ));
    }

    /** The one that leaves most among those whose frame has at most so many lines. */
    public function bestOfAtMost(int $lines): ?TestedUpload
    {
        $best = null;
        foreach ($this->others as $other) {
            $isBetter = $best === null || self::outcome($other)->decibels() > self::outcome($best)->decibels();
            if ($other->frame->shorterSide() <= $lines && $isBetter) {
                $best = $other;
            }
        }

        return $best;
    }

    /** By how much the output leaves more than another. */
    public function over(TestedUpload $other): Gain
    {
        return Gain::of(self::outcome($this->own), self::outcome($other));
    }

    /** +1.40 dB (± 0.20) on a screen of 720 lines for 2.1 × the size: of the output over another. */
    public function overInWords(TestedUpload $other): string
    {
        return self::words($this->over($other), $this->own, $other);
    }

    /** The same of another over the output. */
    public function ofOtherInWords(TestedUpload $other): string
    {
        return self::words(Gain::of(self::outcome($other), self::outcome($this->own)), $other, $this->own);
    }

    /** That what was tested is a simulation, and whose: Tested in a simulation of Lanternwick. */
    public function source(): string
    {
        return "Tested in a simulation of {$this->host}";
    }

    private static function words(Gain $gain, TestedUpload $one, TestedUpload $other): string
    {
        return str_replace('-', '−', sprintf('%+.2f', $gain->decibels)).sprintf(
            ' dB SSIM (± %.2f) on a screen of %d lines %s',
            $gain->margin,
            $one->screen,
            TimesTheSize::of($one->bytes, $other->bytes),
        );
    }

    private static function isLike(TestedUpload $tested, Plan $plan): bool
    {
        return $tested->codec === $plan->video->codec->id()
            && $tested->frame->equals($plan->frameSize->frame)
            && ($tested->average === null) === ($plan->bitrate->average === null);
    }

    private static function off(TestedUpload $tested, Plan $plan): float
    {
        $average = $plan->bitrate->average;

        return $average === null || $tested->average === null
            ? 0.0
            : abs(log($average->bitsPerSecond / $tested->average->bitsPerSecond));
    }

    private static function outcome(TestedUpload $tested): Outcome
    {
        return new Outcome('', $tested->bytes, 0.0, 0.0, $tested->ssim, $tested->shares, $tested->sampled);
    }

    /**
     * @param  array<TestedUpload>  $uploads
     * @return list<TestedUpload>
     */
    private static function bySize(array $uploads): array
    {
        usort($uploads, static fn (TestedUpload $a, TestedUpload $b): int => $a->bytes <=> $b->bytes);

        return $uploads;
    }
}
