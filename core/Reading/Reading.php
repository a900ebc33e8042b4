<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** What a media file is. */
final readonly class Reading
{
    /**
     * @param  string  $container  id of the container: mp4, mov, matroska, webm, mpeg-ts …
     * @param  Fraction  $duration  in seconds
     * @param  bool|null  $fastStart  whether the index comes before the media; null where the container has no such order
     * @param  list<VideoReading>  $video
     * @param  list<AudioReading>  $audio
     */
    public function __construct(
        public string $container,
        public string $containerName,
        public ?bool $fastStart,
        public Fraction $duration,
        public int $bytes,
        public array $video,
        public array $audio,
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
            'video' => array_map(fn (VideoReading $v): array => [
                'codec' => $v->codec,
                'codecName' => $v->codecName,
                'profile' => $v->profile,
                'level' => $v->level,
                'label' => $v->label(),
                'width' => $v->size->width,
                'height' => $v->size->height,
                'sampleAspect' => (string) $v->sampleAspect,
                'displayAspect' => $v->displayAspect()->numerator.':'.$v->displayAspect()->denominator,
                'displayWidth' => $v->displaySize()->width,
                'displayHeight' => $v->displaySize()->height,
                'rotation' => $v->rotation,
                'frameRate' => (string) $v->frameRate,
                'frameRateLabel' => $v->frameRate->label(),
                'variableRate' => $v->variableRate,
                'scan' => $v->scan->value,
                'bitDepth' => $v->pixelFormat->bitDepth,
                'chroma' => $v->pixelFormat->chroma->value,
                'alpha' => $v->pixelFormat->alpha,
                'colour' => $v->colour->toArray() + ['label' => $v->colour->label()],
                'hdr' => $v->colour->isHdr(),
                'projection' => $v->projection,
                'frames' => $v->frames,
                'bitrate' => ($v->bitrate ?? $this->videoBitrate())->bitsPerSecond,
            ], $this->video),
            'audio' => array_map(fn (AudioReading $a): array => [
                'codec' => $a->codec,
                'codecName' => $a->codecName,
                'label' => $a->label(),
                'sampleRate' => $a->sampleRate,
                'channels' => $a->channels,
                'layout' => $a->layout,
                'bitDepth' => $a->bitDepth,
                'bitrate' => $a->bitrate?->bitsPerSecond,
                'language' => $a->language,
            ], $this->audio),
        ];
    }
}
