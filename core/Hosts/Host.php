<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use InvalidArgumentException;
use OuterCrate\Formats\Chroma;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** A place that takes an upload and recompresses it (docs/formats.md, resources/schema/host.json). */
final readonly class Host
{
    public function __construct(
        public string $slug,
        public string $name,
        public string $about,
        public string $recompression,
        public Asks $asks,
    ) {
    }

    /**
     * @param  array<mixed>  $file  a host file, decoded
     *
     * @throws InvalidArgumentException when a value is out of range
     */
    public static function fromFile(string $slug, array $file): self
    {
        $fields = new Fields($file);
        $asks = $fields->within('asks');

        return new self($slug, $fields->text('name') ?? $slug, $fields->text('about') ?? '', $fields->text('recompression') ?? '', new Asks(
            containers: $asks->texts('containers'),
            fastStart: $asks->bool('fastStart') ?? false,
            codecs: array_map(static fn (Fields $row): array => [
                'codec' => $row->text('codec') ?? '',
                'profile' => $row->text('profile'),
                'aboveWidth' => $row->int('aboveWidth'),
            ], $asks->rows('codecs')),
            chroma: Chroma::tryFrom($asks->text('chroma') ?? ''),
            rates: self::rates($asks),
            highRateAbove: FrameRate::parse($asks->text('highRateAbove') ?? '30'),
            hdrFactor: $asks->fraction('hdrTimes') ?? new Fraction(1),
            keyframeSeconds: $asks->within('keyframes')->fraction('seconds'),
            closedGop: $asks->within('keyframes')->bool('closed') ?? false,
            mostBFrames: $asks->within('keyframes')->int('bFrames'),
            pyramid: $asks->within('keyframes')->bool('pyramid') ?? true,
            minimumRate: $asks->has('minimumFrameRate') ? FrameRate::parse((string) $asks->text('minimumFrameRate')) : null,
            allowedRates: array_map(FrameRate::parse(...), $asks->texts('frameRates')),
            sound: self::sound($asks),
            mostSeconds: $asks->within('limits')->int('seconds'),
            mostBytes: $asks->within('limits')->int('bytes'),
            mostFrame: $asks->within('limits')->has('frame') ? FrameSize::parse((string) $asks->within('limits')->text('frame')) : null,
            shape: $asks->fraction('shape'),
            projection: $asks->text('projection'),
        ));
    }

    /** @return list<RateRow> */
    private static function rates(Fields $asks): array
    {
        $rows = array_map(static function (Fields $row): RateRow {
            $normal = Bitrate::kilobits($row->int('kbps') ?? 0);
            $peak = $row->int('peakKbps');

            return new RateRow($row->int('shorterSide') ?? 0, $normal, $row->has('highKbps') ? Bitrate::kilobits((int) $row->int('highKbps')) : $normal, $peak === null ? null : Bitrate::kilobits($peak));
        }, $asks->rows('rates'));
        usort($rows, static fn (RateRow $a, RateRow $b): int => $b->shorterSide <=> $a->shorterSide);

        return $rows;
    }

    /** @return array{codec: string, bitrate: Bitrate, sampleRate: int, channels: int, loudness: ?Fraction}|null */
    private static function sound(Fields $asks): ?array
    {
        if (! $asks->has('sound')) {
            return null;
        }
        $sound = $asks->within('sound');

        return [
            'codec' => $sound->text('codec') ?? 'aac',
            'bitrate' => Bitrate::kilobits($sound->int('kbps') ?? 256),
            'sampleRate' => $sound->int('sampleRate') ?? 48000,
            'channels' => $sound->int('channels') ?? 2,
            'loudness' => $sound->fraction('loudness'),
        ];
    }
}
