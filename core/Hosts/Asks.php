<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Formats\Chroma;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** What a host publishes that it wants. Null or an empty list: it does not say. */
final readonly class Asks
{
    /**
     * @param  list<string>  $containers  ids, the preferred one first
     * @param  list<array{codec: string, profile: ?string, aboveWidth: ?int}>  $codecs  the preferred one first
     * @param  list<RateRow>  $rates  falling by size
     * @param  FrameRate|null  $minimumRate  for frames of 720 lines or more
     * @param  list<FrameRate>  $allowedRates
     * @param  array{codec: string, bitrate: Bitrate, sampleRate: int, channels: int, loudness: ?Fraction}|null  $sound  loudness in LUFS
     * @param  Fraction|null  $shape  width over height
     */
    public function __construct(
        public array $containers,
        public bool $fastStart,
        public array $codecs,
        public ?Chroma $chroma,
        public array $rates,
        public FrameRate $highRateAbove,
        public Fraction $hdrFactor,
        public ?Fraction $keyframeSeconds,
        public bool $closedGop,
        public ?int $mostBFrames,
        public bool $pyramid,
        public ?FrameRate $minimumRate,
        public array $allowedRates,
        public ?array $sound,
        public ?int $mostSeconds,
        public ?int $mostBytes,
        public ?FrameSize $mostFrame,
        public ?Fraction $shape,
        public ?string $projection,
    ) {
    }

    /** The row for a frame: its own class, or the next one above it; the largest for a frame above all. */
    public function row(FrameSize $size): ?RateRow
    {
        $fitting = null;
        foreach ($this->rates as $row) {
            if ($fitting === null || $row->shorterSide >= $size->shorterSide()) {
                $fitting = $row;
            }
        }

        return $fitting;
    }

    /** The average it asks for such a picture. */
    public function average(FrameSize $size, FrameRate $rate, bool $hdr): ?Bitrate
    {
        $row = $this->row($size);
        if ($row === null) {
            return null;
        }

        return ($rate->isAbove($this->highRateAbove) ? $row->high : $row->normal)->times($hdr ? $this->hdrFactor : new Fraction(1));
    }

    /** @return array{codec: string, profile: ?string, aboveWidth: ?int}|null what it wants the picture coded with at this width */
    public function codecFor(int $width): ?array
    {
        foreach ($this->codecs as $codec) {
            if ($codec['aboveWidth'] === null || $width > $codec['aboveWidth']) {
                return $codec;
            }
        }

        return null;
    }

    public function takesCodec(string $id): bool
    {
        return $this->codecs === [] || in_array($id, array_column($this->codecs, 'codec'), true);
    }

    /** @return list<array{label: string, text: string}> everything but the rate table, as sentences for a person */
    public function inWords(): array
    {
        $codecs = array_map(static fn (array $codec): string => CodecNames::codec($codec['codec'])
            .($codec['profile'] === null ? '' : ' '.ucfirst($codec['profile']))
            .($codec['aboveWidth'] === null ? '' : " above {$codec['aboveWidth']} px wide"), $this->codecs);
        $structure = array_filter([
            $this->closedGop ? 'closed GOP' : null,
            $this->mostBFrames === null ? null : "at most {$this->mostBFrames} B-frames in a row",
            $this->pyramid ? null : 'no pyramid',
        ]);
        $limits = array_filter([
            $this->mostSeconds === null ? null : (string) new Duration(new Fraction($this->mostSeconds)),
            $this->mostBytes === null ? null : (string) new ByteCount($this->mostBytes),
            $this->mostFrame === null ? null : (string) $this->mostFrame,
        ]);
        $rows = [
            'Box' => implode(' or ', array_map(strtoupper(...), $this->containers)).($this->fastStart ? ', fast start' : ''),
            'Picture' => implode(', ', $codecs).($this->chroma === null ? '' : ", {$this->chroma->value}"),
            'Shape' => $this->shape === null ? '' : "{$this->shape->numerator}:{$this->shape->denominator}".($this->projection === null ? '' : ", {$this->projection}, tagged"),
            'Frame rate' => $this->allowedRates !== []
                ? implode(' or ', array_map(static fn (FrameRate $rate): string => $rate->label(), $this->allowedRates)).' fps'
                : ($this->minimumRate === null ? '' : "at least {$this->minimumRate->label()} fps for HD"),
            'Keyframes' => implode(', ', $structure),
            'Sound' => $this->sound === null ? '' : CodecNames::codec($this->sound['codec'])." {$this->sound['bitrate']}, ".AudioReading::kilohertz($this->sound['sampleRate'])
                .($this->sound['loudness'] === null ? '' : ', '.str_replace('-', '−', (string) $this->sound['loudness']).' LUFS'),
            'Limits' => implode(', ', $limits),
        ];
        $words = [];
        foreach (array_filter($rows, static fn (string $text): bool => $text !== '') as $label => $text) {
            $words[] = ['label' => $label, 'text' => $text];
        }

        return $words;
    }
}
