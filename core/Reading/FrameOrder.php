<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/**
 * What the order and the times of frames tell about a stream's structure. Takes frames in decoding order, keeps little.
 *
 * A frame that is shown after every one before it is an anchor; those decoded later and shown earlier are B-frames. A
 * frame after a keyframe in decoding order and before it on the screen leans on the GOP before: that GOP is open.
 */
final class FrameOrder
{
    private const MOST_TIMES = 20_000;

    public int $frames = 0;

    private int $untimed = 0;

    private int $keyframes = 0;

    private int $longest = 0;

    private int $sinceKeyframe = 0;

    private int $bFrames = 0;

    private int $consecutive = 0;

    private bool $leading = false;

    private bool $pyramid = false;

    private float $latest = -INF;

    private float $keyframeTime = -INF;

    private float $lastB = INF;

    /** @var list<float> */
    private array $times = [];

    /** @param  float|null  $shown presentation time in seconds; null where the file does not say */
    public function take(?float $shown, bool $keyframe): void
    {
        $this->frames++;
        if ($keyframe) {
            $this->keyframes++;
            $this->sinceKeyframe = 0;
            $this->keyframeTime = $shown ?? -INF;
        }
        $this->longest = max($this->longest, ++$this->sinceKeyframe);
        if ($shown === null) {
            $this->untimed++;

            return;
        }
        if (count($this->times) < self::MOST_TIMES) {
            $this->times[] = $shown;
        }
        if ($shown > $this->latest) {
            $this->latest = $shown;
            $this->consecutive = 0;
            $this->lastB = INF;

            return;
        }
        $this->bFrames = max($this->bFrames, ++$this->consecutive);
        // A B-frame shown before one that was decoded ahead of it was waited for: others are built upon that one.
        $this->pyramid = $this->pyramid || $shown < $this->lastB && $this->lastB !== INF;
        $this->lastB = $shown;
        $this->leading = $this->leading || $shown < $this->keyframeTime;
    }

    /** Null when too little was seen to tell. */
    public function gop(): ?Gop
    {
        if ($this->keyframes === 0) {
            return null;
        }
        $intra = $this->keyframes === $this->frames;

        return new Gop(
            $intra ? 1 : $this->longest,
            // With a single keyframe there is no border that could be open.
            $intra || $this->keyframes < 2 ? ($intra ? true : null) : ! $this->leading,
            $intra ? 0 : $this->bFrames,
            ! $intra && $this->pyramid,
        );
    }

    /** Where a container gives only some frames their time, the gaps between those say nothing of the frames. */
    public function times(): PacketTimes
    {
        return new PacketTimes($this->untimed > $this->frames / 10 ? [] : $this->times);
    }
}
