<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Hosts\Asks\AudioAsk;
use OuterCrate\Hosts\Asks\BitrateAsk;
use OuterCrate\Hosts\Asks\BitrateRow;
use OuterCrate\Hosts\Asks\CodecAsk;
use OuterCrate\Hosts\Asks\ColourAsk;
use OuterCrate\Hosts\Asks\ContainerAsk;
use OuterCrate\Hosts\Asks\FrameAsk;
use OuterCrate\Hosts\Asks\FrameRateAsk;
use OuterCrate\Hosts\Asks\KeyframesAsk;
use OuterCrate\Hosts\Asks\LimitsAsk;
use OuterCrate\Hosts\Asks\RateRange;
use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Tier;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** Reads a host file (docs/formats.md, resources/schema/host.json) and holds it to what can be made here. */
final readonly class HostFile
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param  array<mixed>  $file  decoded, and in the shape of its schema
     * @param  int|null  $version  the file's own `revision` when null
     *
     * @throws InvalidArgumentException when a value is out of range, or a codec, profile or container is asked that is not made here
     */
    public function host(string $slug, array $file, ?int $version = null): Host
    {
        $fields = new Fields($file);
        $host = new Host(
            slug: $slug,
            name: $fields->text('name') ?? $slug,
            about: $fields->text('about') ?? '',
            asks: $this->asks($fields->within('asks')),
            recompression: $fields->has('recompression') ? $this->recompression($fields->within('recompression')) : null,
            version: $version ?? $fields->int('revision') ?? 1,
            notes: $fields->text('notes') ?? '',
            sources: array_map(
                static fn (Fields $row): Source => new Source($row->text('of') ?? '', $row->text('text') ?? '', $row->text('lookedUp')),
                $fields->rows('sources'),
            ),
            file: $file,
        );
        $this->holdToCatalogue($host);

        return $host;
    }

    /**
     * @param  Fields  $document  as Host::toArray wrote it
     *
     * @throws InvalidArgumentException as host() does, and when it is no such document
     */
    public function stored(Fields $document): Host
    {
        return $this->host($document->needText('slug'), $document->within('file')->all(), $document->needInt('version'));
    }

    private function asks(Fields $asks): Asks
    {
        return new Asks(
            container: new ContainerAsk($asks->texts('containers'), $asks->bool('fastStart') ?? false),
            codecs: array_map(
                static fn (Fields $row): CodecAsk => new CodecAsk(
                    $row->text('codec') ?? '',
                    $row->text('profile'),
                    $row->int('aboveWidth'),
                ),
                $asks->rows('codecs'),
            ),
            frame: new FrameAsk(
                $asks->fraction('shape'),
                $asks->text('projection'),
                $asks->within('limits')->has('frame') ? FrameSize::parse((string) $asks->within('limits')->text('frame')) : null,
            ),
            frameRate: new FrameRateAsk(
                $asks->has('minimumFrameRate') ? FrameRate::parse((string) $asks->text('minimumFrameRate')) : null,
                array_map(FrameRate::parse(...), $asks->texts('frameRates')),
            ),
            bitrate: new BitrateAsk(
                self::bitrates($asks),
                FrameRate::parse($asks->text('highFrameRateAbove') ?? '30'),
                $asks->fraction('hdrTimes') ?? new Fraction(1),
            ),
            keyframes: new KeyframesAsk(
                $asks->within('keyframes')->fraction('seconds'),
                $asks->within('keyframes')->bool('closed') ?? false,
                $asks->within('keyframes')->int('bFrames'),
                $asks->within('keyframes')->bool('pyramid') ?? true,
            ),
            colour: new ColourAsk(Chroma::tryFrom($asks->text('chroma') ?? '')),
            audio: $asks->has('audio') ? self::audio($asks->within('audio')) : null,
            limits: new LimitsAsk($asks->within('limits')->int('seconds'), $asks->within('limits')->int('bytes')),
        );
    }

    /** @return list<BitrateRow> falling by size */
    private static function bitrates(Fields $asks): array
    {
        $rows = array_map(static function (Fields $row): BitrateRow {
            $peak = $row->int('peakKbps');
            $normal = self::range($row, 'kbps', 'toKbps') ?? throw new InvalidArgumentException('asks/bitrates: a row has no rate.');

            return new BitrateRow(
                $row->int('shorterSide') ?? 0,
                $normal,
                self::range($row, 'highKbps', 'highToKbps') ?? $normal,
                $peak === null ? null : Bitrate::kilobits($peak),
                self::range($row, 'hdrKbps', 'hdrToKbps'),
                self::range($row, 'hdrHighKbps', 'hdrHighToKbps'),
            );
        }, $asks->rows('bitrates'));
        $sides = array_map(static fn (BitrateRow $row): int => $row->shorterSide, $rows);
        foreach (array_count_values($sides) as $side => $times) {
            if ($times > 1) {
                throw new InvalidArgumentException("asks/bitrates: {$side} lines stand in {$times} rows. Keep one of them.");
            }
        }
        usort($rows, static fn (BitrateRow $a, BitrateRow $b): int => $b->shorterSide <=> $a->shorterSide);

        return $rows;
    }

    private static function range(Fields $row, string $floor, string $ceiling): ?RateRange
    {
        [$low, $high] = [$row->int($floor), $row->int($ceiling)];

        return $low === null ? null : new RateRange(Bitrate::kilobits($low), $high === null ? null : Bitrate::kilobits($high));
    }

    private static function audio(Fields $audio): AudioAsk
    {
        return new AudioAsk(
            $audio->text('codec') ?? 'aac',
            Bitrate::kilobits($audio->int('kbps') ?? 256),
            $audio->int('sampleRate') ?? 48_000,
            $audio->int('channels') ?? 2,
            $audio->fraction('loudness'),
        );
    }

    private function recompression(Fields $file): Recompression
    {
        $tiers = array_map(
            static fn (Fields $tier): Tier => new Tier(
                $tier->text('name') ?? '',
                array_map(
                    static fn (Fields $when): Condition => new Condition(
                        $when->int('shorterSide'),
                        $when->has('frameRateAbove') ? FrameRate::parse((string) $when->text('frameRateAbove')) : null,
                        $when->bool('hdr'),
                    ),
                    $tier->rows('when'),
                ),
                self::ladder($tier),
            ),
            $file->rows('tiers'),
        );

        return new Recompression(
            $tiers === [] ? throw new InvalidArgumentException('What the host does to an upload needs a tier at least.') : $tiers,
            $file->has('audio') ? self::audio($file->within('audio')) : null,
            count($file->rows('taughtBy')),
        );
    }

    /** @return non-empty-list<Rung> the largest first */
    private static function ladder(Fields $tier): array
    {
        $ladder = array_map(
            static fn (Fields $row): Rung => new Rung(
                shorterSide: $row->int('shorterSide') ?? 0,
                codec: $row->text('codec') ?? '',
                average: $row->has('kbps') ? Bitrate::kilobits($row->int('kbps') ?? 0) : null,
                quality: $row->int('quality'),
                keyframeSeconds: $row->fraction('keyframeSeconds') ?? new Fraction(2),
                speed: $row->text('speed') ?? 'medium',
                bFrames: $row->int('bFrames'),
            ),
            $tier->rows('ladder'),
        );
        usort($ladder, static fn (Rung $a, Rung $b): int => $b->shorterSide <=> $a->shorterSide);

        return $ladder === [] ? throw new InvalidArgumentException('A tier needs a rendition at least.') : $ladder;
    }

    private function holdToCatalogue(Host $host): void
    {
        foreach ($host->asks->container->ids as $id) {
            isset($this->catalogue->containers()[$id]) ?:
            self::unknown('asks/containers', "container “{$id}”", array_keys($this->catalogue->containers()));
        }
        foreach ($host->asks->codecs as $ask) {
            $this->holdVideo('asks/codecs', $ask->codec, $ask->profile);
        }
        foreach ([['asks/audio', $host->asks->audio], ['recompression/audio', $host->recompression?->audio]] as [$place, $audio]) {
            if ($audio !== null && ! isset($this->catalogue->audioCodecs()[$audio->codec])) {
                self::unknown($place, "audio codec “{$audio->codec}”", array_keys($this->catalogue->audioCodecs()));
            }
        }
        foreach ($host->recompression->tiers ?? [] as $tier) {
            foreach ($tier->ladder as $rung) {
                $this->holdVideo("recompression/tiers/{$tier->name}", $rung->codec, null);
                $scale = $this->catalogue->video($rung->codec)->quality();
                if ($rung->quality !== null && $scale?->holds($rung->quality) !== true) {
                    throw new InvalidArgumentException(
                        "recompression/tiers/{$tier->name}: {$this->catalogue->video(
                            $rung->codec,
                        )->name()} has no quality {$rung->quality}.".
                            ($scale === null ? ' Give an average.' : " It runs from {$scale->best} (best) to {$scale->worst}."),
                    );
                }
            }
        }
    }

    private function holdVideo(string $place, string $codec, ?string $profile): void
    {
        $known =
            $this->catalogue->videoCodecs()[$codec] ??
            self::unknown($place, "video codec “{$codec}”", array_keys($this->catalogue->videoCodecs()));
        if ($profile !== null && ! isset($known->profiles()[$profile])) {
            self::unknown($place, "profile “{$profile}” of {$known->name()}", array_keys($known->profiles()));
        }
    }

    /** @param  array<int|string>  $known */
    private static function unknown(string $place, string $what, array $known): never
    {
        throw new InvalidArgumentException("{$place}: the {$what} cannot be made here. There is: ".implode(', ', $known).'.');
    }
}
