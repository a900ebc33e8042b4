<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Json\Fields;

/**
 * What was measured, before anything is concluded from it: a series for each measure. Segments of a cut are measured by
 * themselves and joined, so that an analysis can be put down and taken up again.
 */
final class Facts
{
    /** @var array<string, Series> */
    private array $series = [];

    /**
     * @param  array<string, string>  $packed  by measure
     * @param  float  $truePeak  highest so far; 1 is full scale
     * @param  float  $mixTruePeak  the same of what is mixed down to stereo
     */
    public function __construct(array $packed = [], public float $truePeak = 0.0, public float $mixTruePeak = 0.0)
    {
        foreach (Measure::cases() as $measure) {
            $this->series[$measure->value] = new Series($measure->step(), $packed[$measure->value] ?? '');
        }
    }

    public function of(Measure $measure): Series
    {
        return $this->series[$measure->value];
    }

    public function frames(): int
    {
        return $this->of(Measure::Mean)->count();
    }

    public function hasSound(): bool
    {
        return $this->of(Measure::Peak)->count() > 0;
    }

    public function append(self $other): void
    {
        foreach ($this->series as $name => $series) {
            $series->append($other->series[$name]);
        }
        $this->truePeak = max($this->truePeak, $other->truePeak);
        $this->mixTruePeak = max($this->mixTruePeak, $other->mixTruePeak);
    }

    /** Everything in one string, for keeping; unpack() takes it back. */
    public function pack(): string
    {
        $head = ['truePeak' => $this->truePeak, 'mixTruePeak' => $this->mixTruePeak, 'bytes' => array_map(strlen(...), $this->packed())];

        return json_encode($head, JSON_THROW_ON_ERROR)."\n".implode('', $this->packed());
    }

    /** Null when it is not what pack() gave. */
    public static function unpack(string $kept): ?self
    {
        $line = strpos($kept, "\n");
        $head = $line === false ? null : json_decode(substr($kept, 0, $line), true);
        $fields = new Fields(is_array($head) ? $head : []);
        $at = (int) $line + 1;
        $packed = [];
        foreach (Measure::cases() as $measure) {
            $bytes = $fields->within('bytes')->int($measure->value);
            if ($bytes === null || $bytes < 0 || $at + $bytes > strlen($kept)) {
                return null;
            }
            $packed[$measure->value] = substr($kept, $at, $bytes);
            $at += $bytes;
        }

        return new self($packed, $fields->float('truePeak') ?? 0.0, $fields->float('mixTruePeak') ?? 0.0);
    }

    /** @return array<string, string> */
    private function packed(): array
    {
        return array_map(static fn (Series $series): string => $series->packed(), $this->series);
    }
}
