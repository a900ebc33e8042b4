<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Reading\VideoReading;
use RuntimeException;

/** Reads what a measuring pass wrote, and turns it into facts. */
final class Measurements
{
    private readonly StillTracker $still;

    /**
     * @param  callable(string): (resource|null)  $open  gives a file of the working folder by name; null where there is none
     * @param  int  $first  frame of the cut that the segment begins with
     * @param  int  $lead  frames that were measured ahead of it
     * @param  Glance|null  $reference  the picture that a still before this segment began with
     */
    public function __construct(
        private $open,
        private readonly VideoReading $video,
        private readonly int $first,
        private readonly int $lead,
        ?Glance $reference = null,
    ) {
        $this->still = new StillTracker($reference);
    }

    /** Where a still that goes on in the next segment began. */
    public function reference(): ?Glance
    {
        return $this->still->reference();
    }

    /**
     * @param  int  $frames  in the segment; where the engine gave fewer, the last ones are taken to go on
     * @param  int  $soundLead  tenths of a second at the front of the loudness that do not count
     *
     * @throws RuntimeException when there is not one frame
     */
    public function facts(int $frames, int $soundLead): Facts
    {
        $facts = new Facts;
        $this->glances($facts, $frames);
        $this->printed(
            $facts,
            MeasuredFile::DETAIL,
            $this->lead,
            ['lavfi.siti.si' => Measure::Spatial, 'lavfi.siti.ti' => Measure::Temporal],
            $frames,
        );
        $this->repeats($facts, $frames);
        $this->fields($facts);
        $this->edges($facts);
        foreach ($this->pictures(MeasuredFile::GRADIENTS, Gradient::WIDTH * Gradient::HEIGHT) as $picture) {
            $facts->of(Measure::Gradient)->add(Gradient::share($picture));
        }
        foreach ($this->pictures(MeasuredFile::GRAIN, Grain::WIDTH * Grain::HEIGHT) as $picture) {
            $facts->of(Measure::Grain)->add(Grain::of($picture));
        }
        $this->light($facts, $frames);
        $this->sound($facts, $soundLead);

        return $facts;
    }

    private function glances(Facts $facts, int $frames): void
    {
        $previous = null;
        $at = -$this->lead;
        foreach ($this->pictures(MeasuredFile::GLANCES, Glance::BYTES) as $bytes) {
            if ($at >= $frames) {
                break;
            }
            $glance = new Glance($bytes);
            if ($at++ >= 0) {
                $difference = $previous === null ? 0.0 : $glance->difference($previous)['mean'];
                $facts->of(Measure::Mean)->add($glance->mean);
                $facts->of(Measure::Brightest)->add($glance->brightest);
                $facts->of(Measure::Difference)->add($difference);
                $facts->of(Measure::Still)->add($this->still->take($glance) ? 1.0 : 0.0);
            }
            $previous = $glance;
        }
        if ($facts->frames() === 0) {
            throw new RuntimeException('No frame of this part could be decoded.');
        }
        foreach ([Measure::Mean, Measure::Brightest, Measure::Difference, Measure::Still] as $measure) {
            $facts->of($measure)->fill($frames);
        }
    }

    private function repeats(Facts $facts, int $frames): void
    {
        $skip = $this->lead;
        foreach ($this->records(MeasuredFile::REPEATS) as $record) {
            if ($skip-- > 0 || $facts->of(Measure::RepeatedField)->count() >= $frames) {
                continue;
            }
            $facts->of(Measure::RepeatedField)->add(($record['lavfi.idet.repeated.current_frame'] ?? 'neither') === 'neither' ? 0.0 : 1.0);
        }
        $facts->of(Measure::RepeatedField)->fill($frames);
    }

    /** Samples are pairs of frames; at either end of the segment one may be without the other. */
    private function fields(Facts $facts): void
    {
        $step = Segment::fieldStep($this->video->frameRate);
        $lines = min($this->video->uprightSize()->height, FieldSample::MOST_LINES);
        $pictures = $this->pictures(MeasuredFile::FIELDS, FieldSample::COLUMNS * $lines);
        $before = null;
        $at = $this->first - $this->lead;
        foreach ($pictures as $picture) {
            while ($at % $step > 1) {
                $at++;
            }
            if ($at % $step === 1 && $before !== null) {
                $facts->of(Measure::Fields)->add(FieldSample::tell($before, $picture));
            }
            $before = $picture;
            $at++;
        }
    }

    private function edges(Facts $facts): void
    {
        $upright = $this->video->uprightSize();
        $rows = iterator_to_array($this->pictures(MeasuredFile::ROWS, MeasuredFile::PARTS * $upright->height), false);
        $columns = iterator_to_array($this->pictures(MeasuredFile::COLUMNS, MeasuredFile::PARTS * $upright->width), false);
        foreach (array_keys($rows) as $i) {
            $vertical = EdgeSample::bars(self::rowMeans($rows[$i]));
            $horizontal = EdgeSample::bars(self::columnMeans($columns[$i] ?? '', $upright->width));
            $black = $vertical === null || $horizontal === null;
            foreach (
                [
                    [Measure::Top, $vertical[0] ?? 0],
                    [Measure::Bottom, $vertical[1] ?? 0],
                    [Measure::Left, $horizontal[0] ?? 0],
                    [Measure::Right, $horizontal[1] ?? 0],
                ] as [$measure, $pixels]
            ) {
                $facts->of($measure)->add($black ? Measure::BLACK_FRAME : $pixels);
            }
        }
    }

    private function light(Facts $facts, int $frames): void
    {
        $skip = $this->lead;
        foreach ($this->records(MeasuredFile::LIGHT) as $record) {
            if ($skip-- > 0 || $facts->of(Measure::LightPeak)->count() >= $frames) {
                continue;
            }
            $facts->of(Measure::LightPeak)->add(LightMeter::candelas(self::number($record['lavfi.signalstats.YMAX'] ?? '', 0.0)));
            $facts->of(Measure::LightMean)->add(LightMeter::candelas(self::number($record['lavfi.signalstats.YAVG'] ?? '', 0.0)));
        }
    }

    private function sound(Facts $facts, int $lead): void
    {
        $this->printed(
            $facts,
            MeasuredFile::LOUDNESS,
            $lead,
            ['lavfi.r128.M' => Measure::Momentary, 'lavfi.r128.S' => Measure::ShortTerm],
            null,
            Measure::LIFT,
        );
        foreach ($this->records(MeasuredFile::LOUDNESS) as $record) {
            $facts->truePeak = max($facts->truePeak, self::number($record['lavfi.r128.true_peak'] ?? '', 0.0));
        }
        $this->printed(
            $facts,
            MeasuredFile::MIX,
            $lead,
            ['lavfi.r128.M' => Measure::MixMomentary, 'lavfi.r128.S' => Measure::MixShortTerm],
            null,
            Measure::LIFT,
        );
        foreach ($this->records(MeasuredFile::MIX) as $record) {
            $facts->mixTruePeak = max($facts->mixTruePeak, self::number($record['lavfi.r128.true_peak'] ?? '', 0.0));
        }
        foreach ($this->records(MeasuredFile::PEAKS) as $record) {
            $facts->of(Measure::Peak)->add(10 ** (self::number($record['lavfi.astats.Overall.Peak_level'] ?? '', -Measure::LIFT) / 20));
            $facts->of(Measure::Level)->add(self::number($record['lavfi.astats.Overall.RMS_level'] ?? '', -Measure::LIFT) + Measure::LIFT);
        }
    }

    /** @param  array<string, Measure>  $keys */
    private function printed(Facts $facts, string $file, int $skip, array $keys, ?int $frames, float $lift = 0.0): void
    {
        foreach ($this->records($file) as $record) {
            if ($skip-- > 0) {
                continue;
            }
            foreach ($keys as $key => $measure) {
                if ($frames === null || $facts->of($measure)->count() < $frames) {
                    $facts->of($measure)->add(self::number($record[$key] ?? '', -$lift) + $lift);
                }
            }
        }
        if ($frames !== null) {
            foreach ($keys as $measure) {
                $facts->of($measure)->fill($frames);
            }
        }
    }

    /** The engine writes nan and -inf where there is nothing. */
    private static function number(string $text, float $otherwise): float
    {
        return is_numeric($text) ? (float) $text : $otherwise;
    }

    private static function rowMeans(string $picture): string
    {
        $means = '';
        foreach (str_split($picture, MeasuredFile::PARTS) as $row) {
            $means .= chr(intdiv(array_sum(self::bytes($row)), MeasuredFile::PARTS));
        }

        return $means;
    }

    private static function columnMeans(string $picture, int $width): string
    {
        $bytes = self::bytes($picture);
        $means = '';
        for ($x = 0; $x < $width; $x++) {
            $sum = 0;
            for ($part = 0; $part < MeasuredFile::PARTS; $part++) {
                $sum += $bytes[$part * $width + $x] ?? 0;
            }
            $means .= chr(intdiv($sum, MeasuredFile::PARTS));
        }

        return $means;
    }

    /** @return list<int> */
    private static function bytes(string $picture): array
    {
        return array_map(ord(...), $picture === '' ? [] : str_split($picture));
    }

    /** @return iterable<string> */
    private function pictures(string $name, int $bytes): iterable
    {
        $stream = ($this->open)($name);
        while ($stream !== null && ! feof($stream)) {
            $picture = (string) stream_get_contents($stream, $bytes);
            if (strlen($picture) === $bytes) {
                yield $picture;
            }
        }
    }

    /**
     * What the engine printed, frame by frame: a line `frame:…`, then lines `key=value`.
     *
     * @return iterable<array<string, string>>
     */
    private function records(string $name): iterable
    {
        $stream = ($this->open)($name);
        $record = null;
        while ($stream !== null && ($line = fgets($stream, 4096)) !== false) {
            if (str_starts_with($line, 'frame:')) {
                if ($record !== null) {
                    yield $record;
                }
                $record = [];
            } elseif ($record !== null) {
                [$key, $value] = explode('=', rtrim($line), 2) + [1 => ''];
                $record[$key] = $value;
            }
        }
        if ($record !== null) {
            yield $record;
        }
    }
}
