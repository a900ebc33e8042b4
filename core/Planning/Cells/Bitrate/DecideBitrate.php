<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Video\QualityScale;
use OuterCrate\Hosts\Asks\AskedRate;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Fraction;

/** Mode, average, peak and quality: in kb/s, as the host's ask times a factor, or as the average times a factor. */
final class DecideBitrate
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $codec = $draft->video()->codec;
        $rule = $draft->rules->fields('bitrate');
        $modes = $codec->rateModes();
        $mode = BitrateMode::tryFrom($rule->text('mode') ?? '');
        if ($mode === null || ! in_array($mode, $modes, true)) {
            // Another codec was chosen than the preset was written for: its own usual mode takes over.
            $mode =
                $mode === null || ! $mode->hasAverage()
                    ? $modes[0]
                    : (in_array(BitrateMode::Vbr, $modes, true)
                        ? BitrateMode::Vbr
                        : $modes[0]);
        }
        if ($mode === BitrateMode::Codec || $mode === BitrateMode::Lossless) {
            $draft->decide(
                BitrateCell::NAME,
                new BitrateValue($mode),
                OriginSource::Preset,
                $mode === BitrateMode::Codec
                    ? "states {$codec->ownRate($draft->video()->profile, $draft->frameSize()->frame, $draft->frameRate()->rate)}"
                    : 'preset',
            );

            return;
        }
        $asked = $this->asked($draft);
        $buffer = $rule->within('buffer')->float('seconds');
        if ($buffer !== null && ! BitrateSchema::bufferSeconds()->hold($buffer)) {
            $bounds = BitrateSchema::bufferSeconds();
            throw new PlanImpossible(BitrateCell::NAME, "The buffer lies between {$bounds} s. Enter one in that range.");
        }
        try {
            $target = $mode->hasAverage() ? TargetSize::of($rule->within('average')) : null;
            $passes = $this->passes($rule, $mode, $target !== null, $draft);
            $average =
                $target?->average($draft, $passes === 2 || $mode === BitrateMode::Cbr) ??
                ($mode->hasAverage() ? $this->average($rule->within('average'), $asked?->range->floor, $draft) : null);
            $peak = $mode === BitrateMode::Cbr ? $average : ($codec->holdsPeak($mode) ? $this->peak($rule, $average, $draft) : null);
            $value = new BitrateValue(
                mode: $mode,
                passes: $passes,
                average: $average,
                peak: $peak,
                quality: $mode === BitrateMode::Quality
                    ? $this->quality(
                        $rule,
                        $codec->quality() ?? new QualityScale(0, 51, 20, 0.1, 6),
                        $draft->isEdited(BitrateCell::NAME, 'quality'),
                    )
                    : null,
                target: $target?->bytes,
            );
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(BitrateCell::NAME, $e->getMessage());
        }
        $fromHost =
            $asked !== null &&
            $mode->hasAverage() &&
            array_filter(['kbps', 'bitsPerPixel', 'bytes', 'sendSeconds'], $rule->within('average')->has(...)) === [];
        $draft->decide(
            BitrateCell::NAME,
            $value,
            $fromHost ? OriginSource::Host : OriginSource::Preset,
            match (true) {
                $target !== null => 'under '.new ByteCount($target->bytes),
                $asked !== null => "asks {$asked->range}".$this->factor($rule, $fromHost).self::within($asked, $average)
                    .($asked->how === '' ? '' : ", {$asked->how}"),
                default => 'preset',
            },
        );
    }

    /** A size is kept by two passes, unless the person chose one. */
    private function passes(Fields $rule, BitrateMode $mode, bool $target, Draft $draft): int
    {
        $can = $mode === BitrateMode::Vbr && $draft->video()->codec->hasTwoPasses() && $draft->video()->hardware === null;

        return $can && ($rule->int('passes') === 2 || ($target && ! $draft->isEdited(BitrateCell::NAME, 'passes'))) ? 2 : 1;
    }

    /** Where in a range of the host's the rate lies. */
    private static function within(AskedRate $asked, ?Bitrate $average): string
    {
        $where = $average === null ? '' : $asked->range->where($average);

        return $where === '' ? '' : ": {$where}";
    }

    private function asked(Draft $draft): ?AskedRate
    {
        return $draft->host?->asks->bitrate->asked(
            $draft->frameSize()->frame,
            $draft->frameRate()->rate,
            $draft->colour()->colour->isHdr(),
        );
    }

    private function average(Fields $rule, ?Bitrate $asked, Draft $draft): Bitrate
    {
        if ($rule->has('kbps')) {
            return $this->kilobits($rule, 'kbps');
        }
        if ($rule->has('bitsPerPixel')) {
            $pixels = $draft->frameRate()->rate->perSecond->times($draft->frameSize()->picture->pixels());

            return (new Bitrate(
                max(16_000, $pixels->times(new Fraction((int) round(10_000 * ($rule->float('bitsPerPixel') ?? 0)), 10_000))->round()),
            ))->times(new Fraction(1));
        }
        $times = $rule->fraction('timesAsk') ?? new Fraction(1);

        // Without a host to ask, what plain footage comes to at the codec's usual quality.
        $bits = (int) round(1000 * ($draft->video()->codec->quality()->bitsPerPixel ?? 0.1));
        $usual = $draft
            ->frameRate()
            ->rate->perSecond->times($draft->frameSize()->frame->pixels())
            ->times($bits)
            ->over(1000)
            ->round();

        return ($asked ?? new Bitrate(max(100_000, $usual)))->times($times);
    }

    private function peak(Fields $rule, ?Bitrate $average, Draft $draft): ?Bitrate
    {
        $asked = $draft->host?->asks->bitrate->peak($draft->frameSize()->frame);
        $peak = $rule->within('peak');
        $fromRow = $rule->text('peak') === 'host' ? $asked : null;

        $stated = $peak->has('kbps') ? $this->kilobits($peak, 'kbps') : null;
        // A peak that the preset meant for its own average does not stand in the way of another one.
        $inTheWay = $stated !== null && $average !== null && $average->isAbove($stated) && ! $draft->isEdited(BitrateCell::NAME, 'peak');

        return match (true) {
            $stated !== null && ! $inTheWay => $stated,
            $fromRow !== null && ($average === null || ! $average->isAbove($fromRow)) => $fromRow,
            $average !== null => $average->times($peak->fraction('timesAverage') ?? new Fraction(3, 2)),
            default => null,
        };
    }

    private function quality(Fields $rule, QualityScale $scale, bool $edited): int
    {
        $quality = $rule->int('quality') ?? $scale->usual;
        if (! $scale->holds($quality) && ! $edited) {
            // The preset meant it for another codec.
            return $scale->usual;
        }
        if (! $scale->holds($quality)) {
            throw new InvalidArgumentException("Quality runs from {$scale->best} (best) to {$scale->worst}, not to {$quality}.");
        }

        return $quality;
    }

    private function kilobits(Fields $rule, string $key): Bitrate
    {
        $kilobits = $rule->fraction($key)?->toFloat() ?? 0.0;
        if (! BitrateSchema::kilobits()->hold($kilobits)) {
            throw new InvalidArgumentException('A bitrate lies between 16 kb/s and 2 Gb/s. Enter one in that range.');
        }

        return Bitrate::kilobits($kilobits);
    }

    private function factor(Fields $rule, bool $fromHost): string
    {
        $times = $rule->within('average')->text('timesAsk');

        return $fromHost && $times !== null && $times !== '1' ? " × {$times}" : '';
    }
}
