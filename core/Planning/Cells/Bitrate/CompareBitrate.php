<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;

/** The bitrate of a finished file’s picture against the plan. */
final class CompareBitrate
{
    /** Two passes and a constant rate hold their average this near … */
    public const NEAR = 0.03;

    /** … and one pass, which learns of the picture as it goes. */
    private const NEAR_IN_ONE = 0.05;

    public static function found(Made $made, Fields $planned): string
    {
        if ($made->reading->mainVideo() === null) {
            return '–';
        }
        $label = (string) self::of($made);
        $wanted = preg_replace('~^.*?· ~u', '', $planned->text('label') ?? '');

        return $planned->int('average') === null ? $label : "{$label} · planned {$wanted}";
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $most = $planned->int('target');
        if ($most !== null && $made->reading->bytes > $most) {
            [$most, $bytes] = [new ByteCount($most), new ByteCount($made->reading->bytes)];

            return [new Difference(
                BitrateCell::NAME,
                "under {$most}",
                (string) $bytes,
                "The file came to {$bytes} and was to stay under {$most}. Ask for a little less, or for two passes.",
            )];
        }

        return [...self::overBuffer($planned, $made), ...self::average($planned, $made)];
    }

    /** @return list<Difference> */
    private static function average(Fields $planned, Made $made): array
    {
        $average = $planned->int('average');
        if ($average === null || $made->reading->mainVideo() === null) {
            return [];
        }
        $asked = new Bitrate($average);
        $got = self::of($made);

        $onePass = $planned->text('mode') === BitrateMode::Vbr->value && $planned->int('passes') !== 2;
        $apart = $got->bitsPerSecond / $average - 1;
        if (abs($apart) <= ($onePass ? self::NEAR_IN_ONE : self::NEAR)) {
            return [];
        }
        $text = $apart > 0 ? "The picture runs at {$got}, over the {$asked} planned." : self::under($got, $asked, $made->quantisers);
        $more = $onePass && $made->quantisers?->atFinest !== true ? ' Rate control learns as it goes in one pass; two land nearer.' : '';

        $isNote = $apart < 0 && $made->quantisers?->atFinest === true;

        return [new Difference(BitrateCell::NAME, (string) $asked, (string) $got, $text.$more, $isNote)];
    }

    private static function under(Bitrate $got, Bitrate $asked, ?Quantisers $quantisers): string
    {
        return match (true) {
            $quantisers === null => "The picture runs at {$got}, under the {$asked} planned.",
            $quantisers->atFinest => "The picture needed only {$got} of the {$asked} planned: it was coded as finely as the codec can "
                ."(mean quantiser {$quantisers->mean}).",
            default => "Rate control came to {$got} of the {$asked} planned, though the picture could have used more (mean quantiser "
                ."{$quantisers->mean}).",
        };
    }

    /**
     * In any stretch of T seconds lie at most peak × T bits and one buffer more.
     *
     * @return list<Difference>
     */
    private static function overBuffer(Fields $planned, Made $made): array
    {
        [$peak, $buffer, $needed] = [$planned->int('peak'), $planned->int('buffer'), $made->tally->buffer?->needed];
        if ($peak === null || $buffer === null || $needed === null || $needed <= $buffer) {
            return [];
        }
        $seconds = static fn (int $bits): string => round($bits / $peak, 2)."\u{2009}s";

        return [new Difference(
            BitrateCell::NAME,
            $planned->text('peakLabel') ?? (string) new Bitrate($peak),
            "{$seconds($needed)} of buffer",
            "At {$planned->text('peakLabel')} a strict player would run dry: in its fullest part the stream needs {$seconds($needed)}. "
                .'Raise the peak, lower the average, or ask for two passes.',
        )];
    }

    private static function of(Made $made): Bitrate
    {
        return Bitrate::ofBytes($made->tally->videoBytes, $made->reading->duration);
    }
}
