<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** The frames of a cut that were decoded for a run (Witness), and which of them its plan is to begin and to end with. */
final readonly class DecodedFrames
{
    /** Seconds by which times in a file are rounded at most: Matroska's milliseconds. */
    private const ROUNDING = 0.001;

    private Excerpt $excerpt;

    /** @param  list<float>  $times  in seconds from where the engine was sent, in the order of showing */
    private function __construct(private array $times, private Plan $plan, private Reading $reading)
    {
        $this->excerpt = new Excerpt($reading, $plan->range);
    }

    /** @param  iterable<string>  $lines  of the file of times */
    public static function of(iterable $lines, Plan $plan, Reading $reading): self
    {
        $video = $reading->mainVideo();
        $perFrame = $video?->clock->isByCount() === true ? 1 / $video->frameRate->perSecond->toFloat() : null;
        $times = [];
        foreach ($lines as $line) {
            if (preg_match('~pts_time:(-?[\d.]+)~', $line, $match) === 1) {
                $times[] = $perFrame === null ? (float) $match[1] : count($times) * $perFrame;
            }
        }

        return new self($times, $plan, $reading);
    }

    public function count(): int
    {
        return count($this->times);
    }

    /** Frames that the cut counts; null where only a part of it was decoded. */
    public function counted(): ?int
    {
        return $this->excerpt->isWhole() ? $this->reading->mainVideo()?->frames : null;
    }

    /** @return array{int, int} numbers of the first and of the last of those with which the file may begin */
    public function begin(): array
    {
        // All of a cut begins with its first frame, whatever its times say.
        return $this->isWholeAndEven() ? [0, 0] : $this->around($this->excerpt->starts()->toFloat());
    }

    /** @return array{int, int} the same for its end */
    public function end(): array
    {
        if ($this->isWholeAndEven() && $this->keepsRate()) {
            return [$this->count() - 1, $this->count() - 1];
        }
        $starts = $this->excerpt->starts();

        return $this->around($starts->plus($this->plan->frameRate->rate->secondsOf($this->plan->frames - 1))->toFloat());
    }

    /**
     * @param  int  $frame  number of a frame of the file
     * @return non-empty-list<int> numbers of those of the cut that it may show: by its time; where frames are one for one, by its place
     */
    public function at(int $frame): array
    {
        $time = $this->excerpt->starts()->plus($this->plan->frameRate->rate->secondsOf($frame))->toFloat();
        [$first, $last] = $this->around($time);
        $numbers = range($first, $last);
        if ($this->isWholeAndEven() && $this->keepsRate()) {
            $numbers[] = min($frame, $this->count() - 1);
        }

        return $numbers;
    }

    private function isWholeAndEven(): bool
    {
        return $this->excerpt->isWhole() && $this->reading->mainVideo()?->isEven() === true;
    }

    private function keepsRate(): bool
    {
        return $this->reading->mainVideo()?->frameRate->equals($this->plan->frameRate->rate) === true;
    }

    /**
     * What may be shown at a time: the frame under way, those within half a slot, and between two rates the next.
     *
     * @return array{int, int}
     */
    private function around(float $time): array
    {
        $slot = 1 / max(1.0, $this->reading->mainVideo()?->frameRate->perSecond->toFloat() ?? 25.0);
        $near = $slot * ($this->keepsRate() && $this->reading->mainVideo()?->isEven() === true ? 0.5 : 1.0) + self::ROUNDING;
        $before = $after = null;
        foreach ($this->times as $i => $at) {
            if ($at <= $time + self::ROUNDING) {
                $before = $at >= $time - $near ? $before ?? $i : $i;
            }
            if ($at <= $time + $near) {
                $after = $i;
            }
        }
        $last = max(0, $this->count() - 1);

        return [min($before ?? 0, $last), min(max($before ?? 0, $after ?? 0), $last)];
    }
}
