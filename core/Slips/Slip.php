<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Planning\Difference;
use OuterCrate\Reading\Decoded;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;

/** What came out of a run (resources/schema/slip.json). */
final readonly class Slip
{
    /**
     * @param  string  $sha256  of the whole file, lower-case hex
     * @param  list<Difference>  $differences
     * @param  array<string, string>  $found  what the file has, by cell, in the words of the sheet
     * @param  float  $madeIn  seconds
     * @param  float|null  $quantiser  mean of its frames on the codec's scale; null where the encoder told nothing
     * @param  string|null  $xxh64  of the whole file, lower-case hex: what lists of media files mostly hold
     * @param  Decoded|null  $decoded  null where it was not decoded to its end
     * @param  string|null  $engine  its version
     * @param  string|null  $version  of Outer Crate
     * @param  int  $tries  1, or more where rate control first came out too far from what was promised
     */
    public function __construct(
        public Reading $reading,
        public PacketTally $tally,
        public string $sha256,
        public array $differences,
        public array $found,
        public float $madeIn,
        public ?float $quantiser = null,
        public int $tries = 1,
        public ?SoundLevel $level = null,
        public ?string $xxh64 = null,
        public ?Decoded $decoded = null,
        public ?string $engine = null,
        public ?string $version = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $duration = $this->reading->duration;
        $video = Bitrate::ofBytes($this->tally->videoBytes, $duration);
        $peak = new Bitrate(max(1, $this->tally->fullestSecond * 8));
        $audio = $this->tally->audioBytes > 0 ? Bitrate::ofBytes($this->tally->audioBytes, $duration) : null;

        return [
            'bytes' => $this->reading->bytes,
            'bytesLabel' => (string) new ByteCount($this->reading->bytes),
            'sha256' => $this->sha256,
            'xxh64' => $this->xxh64,
            'duration' => (string) $duration,
            'durationLabel' => (string) new Duration($duration),
            'frames' => $this->tally->frames,
            'bitrates' => [
                'video' => $video->bitsPerSecond,
                'videoLabel' => (string) $video,
                'audio' => $audio?->bitsPerSecond,
                'audioLabel' => $audio === null ? null : (string) $audio,
                'bufferNeeded' => $this->tally->buffer?->needed,
                'peakSecond' => $peak->bitsPerSecond,
                'peakSecondLabel' => (string) $peak,
            ],
            'keyframes' => ['count' => $this->tally->keyframes, 'longestGap' => $this->tally->longestGap],
            'found' => $this->found,
            'reading' => $this->reading->toArray(),
            'differences' => $this->told(false),
            'notes' => $this->told(true),
            'madeIn' => round($this->madeIn, 2),
            'quantiser' => $this->quantiser,
            'tries' => $this->tries,
            'level' => $this->level?->toArray(),
            'decoded' => $this->decoded?->toArray(),
            'engine' => $this->engine,
            'version' => $this->version,
        ];
    }

    /** @return list<array{cell: string, planned: string, found: string, text: string}> */
    private function told(bool $notes): array
    {
        $told = array_filter($this->differences, static fn (Difference $difference): bool => $difference->isNote === $notes);

        return array_map(static fn (Difference $difference): array => $difference->toArray(), array_values($told));
    }
}
