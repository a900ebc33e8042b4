<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\VideoReading;

/**
 * How bright a PQ picture gets, as HDR10 tells it: of every pixel the largest of red, green and blue counts, in linear light
 * (CTA-861.3, annex P).
 */
final class LightMeter
{
    /** What one cd/m² is on the engine's 16-bit scale. */
    private const STEPS = 6.5535;

    /** The PQ function from a 16-bit code to light (SMPTE ST 2084, 5.1). */
    private const LIGHT = '10000*pow('
        .'max(pow(val/65535\,1/78.84375)-0.8359375\,0)/(18.8515625-18.6875*pow(val/65535\,1/78.84375)'
        .')\,1/0.1593017578125)*6.5535';

    /**
     * Filters from the pad `light`, for a picture that is PQ; none for any other.
     *
     * @param  string  $print  the filter that writes the figures down
     * @return list<string>
     */
    public static function chain(VideoReading $video, string $print): array
    {
        $colour = $video->colour;
        if ($colour->transfer !== 'smpte2084') {
            return [];
        }
        $tags =
            'setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace='.
            ($colour->matrix ?? 'bt2020nc').
            ':range='.
            ($colour->fullRange ? 'pc' : 'tv');

        return [
            "[light]{$tags},zscale=matrix=gbr:range=pc,format=gbrp16le,extractplanes=g+b+r[lg][lb][lr]",
            '[lg][lb]blend=all_mode=lighten[lgb]',
            "[lgb][lr]blend=all_mode=lighten,lut=y='".
            self::LIGHT.
            "',scale=in_range=pc:out_range=pc,format=yuv420p16le,signalstats,{$print},nullsink",
        ];
    }

    /** Light in cd/m² from a figure of the engine. */
    public static function candelas(float $figure): float
    {
        return $figure / self::STEPS;
    }

    /**
     * What a pass over a picture printed.
     *
     * @param  iterable<string>  $lines
     */
    public static function told(iterable $lines): ?ContentLight
    {
        $most = ['YMAX' => 0.0, 'YAVG' => 0.0];
        foreach ($lines as $line) {
            if (preg_match('~^lavfi\.signalstats\.(YMAX|YAVG)=([\d.]+)~', $line, $match) === 1) {
                $most[$match[1]] = max($most[$match[1]], self::candelas((float) $match[2]));
            }
        }

        return ContentLight::told((int) round($most['YMAX']), (int) ceil($most['YAVG']));
    }

    /** Null for a picture that is not PQ. */
    public static function in(Facts $facts): ?ContentLight
    {
        $peaks = $facts->of(Measure::LightPeak)->all();
        $means = $facts->of(Measure::LightMean)->all();

        return $peaks === [] || $means === [] ? null : new ContentLight((int) round(max($peaks)), (int) ceil(max($means)));
    }
}
