<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** A rule of the bitrate in words: VBR, 2 passes, host’s ask × 1.8, peak 1.5 × the average. */
final class BitrateWords
{
    public static function of(Fields $rule): string
    {
        $mode = BitrateMode::tryFrom($rule->text('mode') ?? '');
        $quality = $rule->int('quality');

        return implode(', ', array_filter([
            match ($mode) {
                BitrateMode::Codec => 'Set by the codec',
                BitrateMode::Lossless => 'Lossless',
                BitrateMode::Quality => 'Constant quality'.($quality === null ? '' : " {$quality}"),
                BitrateMode::Cbr => 'CBR',
                BitrateMode::Vbr => 'VBR',
                default => '',
            },
            $mode === BitrateMode::Vbr && $rule->int('passes') === 2 ? '2 passes' : '',
            $mode === BitrateMode::Vbr && $rule->int('passes') === 1 ? '1 pass' : '',
            self::average($rule->within('average')),
            self::peak($rule),
            $rule->within('buffer')->has('seconds') ? "buffer {$rule->within('buffer')->text('seconds')} s" : '',
        ], static fn (string $text): bool => $text !== ''));
    }

    private static function average(Fields $rule): string
    {
        $times = $rule->text('timesAsk');

        return match (true) {
            $rule->has('kbps') => (string) self::kilobits($rule),
            $times !== null => $times === '1' ? 'host’s ask' : "host’s ask × {$times}",
            $rule->has('bitsPerPixel') => "{$rule->text('bitsPerPixel')} bits a pixel",
            $rule->has('bytes') => 'under '.new ByteCount(max(0, $rule->int('bytes') ?? 0)),
            $rule->has('sendSeconds') => 'sent in '.Duration::upTo($rule->float('sendSeconds') ?? 0.0),
            default => '',
        };
    }

    private static function peak(Fields $rule): string
    {
        $peak = $rule->within('peak');

        return match (true) {
            $rule->text('peak') === 'host' => 'peak as the host asks',
            $peak->has('kbps') => 'peak '.self::kilobits($peak),
            $peak->has('timesAverage') => "peak {$peak->text('timesAverage')} × the average",
            default => '',
        };
    }

    private static function kilobits(Fields $rule): Bitrate
    {
        return Bitrate::kilobits(max(0.001, min(10 ** 10, $rule->float('kbps') ?? 0.0)));
    }
}
