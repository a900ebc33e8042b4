<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\Timecode;

/** What a media file is. */
final readonly class Reading
{
    /**
     * @param  string  $container  id of the container: mp4, mov, matroska, webm, mpeg-ts …
     * @param  Fraction  $duration  in seconds
     * @param  bool|null  $fastStart  whether the index comes before the media; null where the container has no such order
     * @param  list<VideoReading>  $video
     * @param  list<AudioReading>  $audio
     * @param  Extras  $extras  what else lies in the file
     */
    public function __construct(
        public string $container,
        public string $containerName,
        public ?bool $fastStart,
        public Fraction $duration,
        public int $bytes,
        public array $video,
        public array $audio,
        public Extras $extras,
    ) {
    }

    /** The stream that is delivered: the largest picture. Null for a file without one. */
    public function mainVideo(): ?VideoReading
    {
        $main = null;
        foreach ($this->video as $stream) {
            if ($main === null || $stream->size->pixels() > $main->size->pixels()) {
                $main = $stream;
            }
        }

        return $main;
    }

    public function mainAudio(): ?AudioReading
    {
        return $this->audio[0] ?? null;
    }

    /**
     * Frames that the picture lasts at its rate. A range counts these: where frames come unevenly, frame n is what is shown at
     * the time n / rate after the first.
     */
    public function length(): int
    {
        return $this->mainVideo()->length ?? 0;
    }

    /** Timecode of a frame, counted on from the start timecode of the cut. */
    public function timecode(int $frame): Timecode
    {
        $start = $this->extras->timecode;
        $rate = $this->mainVideo()->frameRate ?? FrameRate::of(25);

        return new Timecode($frame + ($start->frame ?? 0), $rate, $start->dropFrame ?? false);
    }

    /** Rate of the whole file. */
    public function bitrate(): Bitrate
    {
        return Bitrate::ofBytes($this->bytes, $this->duration);
    }

    /** Rate of the picture: as the file states it, or what is left of the whole after the sound. */
    public function videoBitrate(): Bitrate
    {
        $stated = $this->mainVideo()?->bitrate;
        if ($stated !== null) {
            return $stated;
        }
        $sound = array_sum(array_map(static fn (AudioReading $a): int => $a->bitrate->bitsPerSecond ?? 0, $this->audio));

        return new Bitrate(max(1, $this->bitrate()->bitsPerSecond - $sound));
    }

    /**
     * The shape that `read --json` prints (see resources/schema/reading.json).
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'container' => $this->container,
            'containerName' => $this->containerName,
            'fastStart' => $this->fastStart,
            'duration' => (string) $this->duration,
            'durationLabel' => (string) new Duration($this->duration),
            'bytes' => $this->bytes,
            'bytesLabel' => (string) new ByteCount($this->bytes),
            'bitrate' => $this->bitrate()->bitsPerSecond,
            'brands' => $this->extras->brands,
            'startTimecode' => $this->extras->timecode === null ? null : (string) $this->extras->timecode,
            'length' => $this->length(),
            'video' => array_map(
                fn (VideoReading $v): array => $v->toArray() + ['bitrate' => ($v->bitrate ?? $this->videoBitrate())->bitsPerSecond],
                $this->video,
            ),
            'audio' => array_map(static fn (AudioReading $a): array => $a->toArray(), $this->audio),
        ] + $this->extras->toArray();
    }
}
