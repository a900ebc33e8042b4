<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

/**
 * What the order and the times of frames tell about a stream's structure. Takes frames in decoding order, keeps little.
 *
 * A frame that is shown after every one before it is an anchor; those decoded later and shown earlier are B-frames. A
 * frame after a keyframe in decoding order and before it on the screen leans on the GOP before: that GOP is open.
 */
final class FrameOrder
{
    /** Times that are kept to see how far frames lie apart. */
    private const MOST_TIMES = 20_000;

    /** Frames that are shown. */
    public int $frames = 0;

    private int $decoded = 0;

    private int $untimed = 0;

    private bool $firstTimed = false;

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

    private float $first = INF;

    private float $last = -INF;

    private ?float $lastLasts = null;

    /** @var list<float> */
    private array $times = [];

    /** @var list<float> times of decoding, where those of showing are not told */
    private array $decodingTimes = [];

    /**
     * @param  float|null  $shown  presentation time in seconds; null where the file does not say
     * @param  float|null  $lasts  seconds for which it is shown; null where the file does not say
     * @param  float|null  $decodedAt  time of decoding in seconds
     * @param  bool  $hidden  others are built on it, and it is not shown (ISO/IEC 14496-12, 8.6.6)
     */
    public function take(?float $shown, bool $keyframe, ?float $lasts = null, ?float $decodedAt = null, bool $hidden = false): void
    {
        $this->decoded++;
        if (! $hidden) {
            $this->time($shown, $lasts, $decodedAt);
        }
        if ($keyframe) {
            $this->keyframes++;
            $this->sinceKeyframe = 0;
            $this->keyframeTime = $shown ?? -INF;
        }
        $this->longest = max($this->longest, ++$this->sinceKeyframe);
        if ($shown === null) {
            return;
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
        $intra = $this->keyframes === $this->decoded;

        return new Gop(
            $intra ? 1 : $this->longest,
            // With a single keyframe there is no border that could be open.
            $intra || $this->keyframes < 2 ? ($intra ? true : null) : ! $this->leading,
            $intra ? 0 : $this->bFrames,
            ! $intra && $this->pyramid,
        );
    }

    public function times(): FrameTimes
    {
        // Where a container gives only some frames their time, the gaps between those say nothing of the frames.
        $some = $this->untimed > $this->frames / 10;
        $gaps = new FrameGaps($some ? ($this->firstTimed ? [] : $this->decodingTimes) : $this->times);

        return new FrameTimes(
            frames: $this->frames,
            untimed: $this->untimed,
            shared: $some ? 0 : $gaps->shared,
            firstTimed: $this->firstTimed,
            usualGap: $gaps->usualGap(),
            usualGaps: $gaps->usualGaps(),
            shortestGap: $gaps->shortestUsualGap(),
            variable: $gaps->areVariable(),
            span: $this->first === INF ? 0.0 : $this->last - $this->first,
            lastLasts: $this->lastLasts,
        );
    }

    private function time(?float $shown, ?float $lasts, ?float $decodedAt): void
    {
        $this->frames++;
        if ($decodedAt !== null && count($this->decodingTimes) < self::MOST_TIMES) {
            $this->decodingTimes[] = $decodedAt;
        }
        if ($shown === null) {
            $this->untimed++;

            return;
        }
        $this->firstTimed = $this->firstTimed || $this->frames === 1;
        if (count($this->times) < self::MOST_TIMES) {
            $this->times[] = $shown;
        }
        $this->first = min($this->first, $shown);
        if ($shown >= $this->last) {
            $this->last = $shown;
            $this->lastLasts = $lasts;
        }
    }
}
