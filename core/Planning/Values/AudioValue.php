<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Units\Bitrate;

/** The sound, or none. */
final readonly class AudioValue implements Value
{
    public const CELL = 'audio';

    /** dB by which a mix is lowered where nothing is said: what a centre at full scale needs beside a front. */
    public const HEADROOM = 3.0;

    /** Bits per sample where a codec has none of its own. */
    private const BIT_DEPTH = 24;

    /** What people call so many channels (ITU-R BS.775). */
    private const LAYOUTS = [1 => 'mono', 2 => 'stereo', 6 => '5.1', 8 => '7.1'];

    /**
     * @param  AudioCodec|null  $codec  null for no sound
     * @param  Bitrate|null  $bitrate  what is asked of the codec for a track; null where it sets its own
     * @param  int  $sampleRate  in Hz
     * @param  int  $bitDepth  bits per sample for PCM and FLAC
     * @param  list<int>  $tracks  channels of each track that is kept, in the cut's order
     * @param  float  $headroom  dB by which channels are lowered that are mixed into fewer
     */
    public function __construct(
        public ?AudioCodec $codec,
        public ?Bitrate $bitrate = null,
        public int $sampleRate = 48000,
        public int $channels = 2,
        public int $bitDepth = self::BIT_DEPTH,
        public array $tracks = [2],
        public ?Levelling $levelling = null,
        public float $headroom = self::HEADROOM,
    ) {
    }

    public function levelled(Levelling $levelling): self
    {
        return new self(
            $this->codec,
            $this->bitrate,
            $this->sampleRate,
            $this->channels,
            $this->bitDepth,
            $this->tracks,
            $levelling,
            $this->headroom,
        );
    }

    /** Bits per second it takes in the file; 0 for none. */
    public function bitsPerSecond(): int
    {
        return $this->codec === null ? 0 : array_sum(array_map($this->bitsOfTrack(...), $this->tracks));
    }

    /** Bits per second of one track with so many channels. */
    public function bitsOfTrack(int $channels): int
    {
        return $this->codec?->bitsPerSecond($this->bitrate?->bitsPerSecond, $this->sampleRate, $channels, $this->bitDepth) ?? 0;
    }

    public static function fromArray(Fields $value, Catalogue $catalogue): self
    {
        $codec = $value->text('codec');
        if ($codec === null) {
            return new self(null);
        }
        $tracks = $value->ints('trackChannels');

        return new self(
            codec: $catalogue->audio($codec),
            bitrate: $value->has('bitrate') ? new Bitrate($value->needInt('bitrate')) : null,
            sampleRate: $value->needInt('sampleRate'),
            channels: $value->needInt('channels'),
            bitDepth: $value->int('bitDepth') ?? self::BIT_DEPTH,
            tracks: $tracks === [] ? throw new MissingPart('trackChannels') : $tracks,
            levelling: $value->has('loudness') ? Levelling::fromArray($value) : null,
            headroom: $value->float('headroom') ?? self::HEADROOM,
        );
    }

    public function label(): string
    {
        if ($this->codec === null) {
            return 'none';
        }
        $detail = $this->codec->hasRate() ? (string) $this->bitrate : (string) $this->bitDepth;
        $layout = $this->channels === 2 ? null : self::LAYOUTS[$this->channels] ?? "{$this->channels} channels";

        return implode(' · ', array_filter([
            "{$this->codec->name()} {$detail}",
            AudioReading::kilohertz($this->sampleRate),
            $layout,
            count($this->tracks) > 1 ? count($this->tracks).' tracks' : null,
            $this->levelling?->label(),
        ]));
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'codec' => $this->codec?->id(),
            'bitrate' => $this->bitrate?->bitsPerSecond,
            'kbps' => $this->bitrate?->inKilobits(),
            'sampleRate' => $this->codec === null ? null : $this->sampleRate,
            'channels' => $this->codec === null ? null : $this->channels,
            'bitDepth' => $this->codec === null || $this->codec->hasRate() ? null : $this->bitDepth,
            'tracks' => count($this->tracks) > 1 ? 'all' : 'first',
            'trackCount' => $this->codec === null ? 0 : count($this->tracks),
            'trackChannels' => $this->codec === null ? [] : $this->tracks,
            'headroom' => $this->headroom,
            'loudnessLabel' => $this->levelling?->label(),
        ] + ($this->levelling?->toArray() ?? ['loudness' => null, 'truePeak' => null, 'gain' => null, 'limited' => false, 'limit' => null]);
    }
}
