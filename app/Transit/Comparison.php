<?php

namespace App\Transit;

use OuterCrate\Reading\Reading;
use OuterCrate\Transit\WorstFrames;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;

/** Files of the same frames, to be looked at side by side. */
final readonly class Comparison
{
    /** Frames that keep least, a key away each. */
    private const WORST = 5;

    /**
     * @param  int|null  $cut  null where it is of files that are no cut's
     * @param  Reading  $reading  of the cut, or of the first file
     * @param  list<FrameRange>  $spans  of the cut, in the order in which the frames follow
     * @param  list<Source>  $sources  the cut first
     */
    public function __construct(public string $name, public ?int $cut, public Reading $reading, public array $spans, public array $sources)
    {
    }

    public function frames(): int
    {
        return array_sum(array_map(fn (FrameRange $span): int => $span->count(), $this->spans));
    }

    public function size(): FrameSize
    {
        return $this->reading->mainVideo()?->displaySize() ?? new FrameSize(16, 16);
    }

    public function source(string $id): ?Source
    {
        foreach ($this->sources as $source) {
            if ($source->id === $id) {
                return $source;
            }
        }

        return null;
    }

    /**
     * @param  list<list<float>|null>  $curves  of each source: likeness of each frame in dB
     * @return array<string, mixed> resources/schema/comparison-view.json
     */
    public function toArray(array $curves): array
    {
        $at = 0;
        $spans = [];
        foreach ($this->spans as $span) {
            $label = (string) $this->reading->timecode($span->first);
            $spans[] = ['at' => $at, 'first' => $span->first, 'last' => $span->last, 'label' => $label];
            $at += $span->count();
        }

        return [
            'name' => $this->name,
            'cut' => $this->cut,
            'frames' => $this->frames(),
            'frameRate' => (string) ($this->reading->mainVideo()->frameRate ?? 25),
            'width' => $this->size()->width,
            'height' => $this->size()->height,
            'hdr' => $this->reading->mainVideo()?->colour->isHdr() === true,
            'spans' => $spans,
            'sources' => array_map(fn (Source $source, ?array $curve): array => [
                'id' => $source->id,
                'label' => $source->label,
                'detail' => $source->detail,
                'here' => $source->path !== null,
                'curve' => $curve,
                'worst' => WorstFrames::of($curve ?? [], self::WORST),
            ], $this->sources, $curves),
        ];
    }
}
