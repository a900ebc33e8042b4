<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameRange;

/** What the analysis of a cut gives cause to say, beside what the checks say of each output. */
final class Notices
{
    /** LUFS below which a programme is called very quiet; open hosts play at about −15, broadcasters at −23 (EBU R 128). */
    private const QUIET = -33.0;

    /** Share of the picture in gentle gradients, and share of dark frames, from which bands are likely at low rates. */
    private const GRADIENTS = 0.2;

    private const DARK = 0.3;

    /**
     * @param  array<mixed>  $analysis  as written by Analysis::toArray(); empty where there is none
     * @param  FrameRange  $range  that is to be delivered
     * @return list<Notice>
     */
    public static function for(array $analysis, FrameRange $range): array
    {
        if ($analysis === []) {
            return [];
        }
        $found = new Fields($analysis);

        return array_values(
            array_filter([
                self::outside($found, $range),
                self::scan($found),
                self::repeated($found),
                self::bars($found),
                self::sound($found),
                self::banding($found),
            ]),
        );
    }

    private static function outside(Fields $found, FrameRange $range): ?Notice
    {
        $suggested = $found->within('suggestedRange');
        $first = $suggested->int('firstFrame');
        $last = $suggested->int('lastFrame');
        if ($first === null || $last === null || (new FrameRange($first, $last))->contains($range)) {
            return null;
        }
        $leftover = $found->rows('leftover');
        // What was already cut off by hand is not brought back by the remedy.
        $remedy =
            $range->first > $last || $range->last < $first
                ? new FrameRange($first, $last)
                : (new FrameRange($first, $last))->clamp($range->first, $range->last);
        $text =
            $leftover !== [] && $range->last > $last
                ? "Footage after a gap: {$leftover[0]->text('first')} to {$leftover[count($leftover) - 1]->text(
                    'last',
                )} comes after the end at {$suggested->text('last')}."
                : ucfirst((string) $suggested->text('reason')).
                    ": the picture runs from {$suggested->text('first')} to {$suggested->text('last')}.";

        return new Notice(
            $leftover === [] ? 'black-end' : 'footage-after-gap',
            $leftover === [] ? Severity::Note : Severity::Caution,
            $text,
            $remedy,
        );
    }

    private static function scan(Fields $found): ?Notice
    {
        $stated = $found->text('statedScan');
        $true = $found->text('scan');
        if ($stated === null || $true === null || $stated === $true) {
            return null;
        }
        $samples = $found->within('scanSamples');
        $names = ['progressive' => 'progressive', 'tff' => 'interlaced, top field first', 'bff' => 'interlaced, bottom field first'];
        $told = ($samples->int('progressive') ?? 0) + ($samples->int('tff') ?? 0) + ($samples->int('bff') ?? 0);

        return new Notice(
            'scan-differs',
            Severity::Caution,
            "The file says {$names[$stated]}, but the picture is {$names[$true]}: so are {$samples->int(
                $true,
            )} of the {$told} samples that could be told.",
        );
    }

    private static function repeated(Fields $found): ?Notice
    {
        $label = $found->within('repeated')->text('label');

        return $label === null ? null : new Notice('repeated-frames', Severity::Note, "Frames repeat: {$label}.");
    }

    private static function bars(Fields $found): ?Notice
    {
        $bars = Bars::told($found->within('bars'));

        return $bars->any() ? new Notice('bars', Severity::Note, "Black bars lie in the picture: {$bars->label()}.") : null;
    }

    private static function sound(Fields $found): ?Notice
    {
        if (! $found->has('loudness')) {
            return null;
        }
        $integrated = $found->within('loudness')->float('integrated');
        $peak = $found->within('loudness')->float('truePeak');

        return match (true) {
            $integrated === null => new Notice(
                'silent',
                Severity::Caution,
                'The sound is silent throughout: nothing rises above −70 LUFS.',
            ),
            $peak !== null && $peak > 0 => new Notice(
                'over-peak',
                Severity::Note,
                'The sound peaks at +'.number_format($peak, 1)."\u{2009}dBTP, above full scale: it will clip when it is encoded again.",
            ),
            $integrated < self::QUIET => new Notice(
                'quiet',
                Severity::Note,
                'The sound is very quiet: '.str_replace('-', '−', number_format($integrated, 1))."\u{2009}LUFS.",
            ),
            default => null,
        };
    }

    private static function banding(Fields $found): ?Notice
    {
        $gradient = $found->float('gradient') ?? 0.0;
        $darkness = $found->float('darkness') ?? 0.0;

        return $gradient < self::GRADIENTS || $darkness < self::DARK
            ? null
            : new Notice(
                'banding-risk',
                Severity::Note,
                'Dark, gentle gradients fill '.round($gradient * 100)."\u{2009}% of the picture. They turn to bands at low rates.",
            );
    }
}
