<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Passes;

use OuterCrate\Reading\Reading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/**
 * Some frames of a cut, or all of them, exactly: how the engine is sent to the place, and the filters that keep nothing else.
 *
 * The engine may only be sent near the place, to a spot a little before it; the filters then lay the frames out at the cut's rate
 * from the first one on, each at the slot nearest to its time, so that rounding in the file never moves a border. Where the clock
 * of the file is worth nothing, frames are counted from its start. In what the filters pass on, the first frame stands at 0.
 */
final readonly class Excerpt
{
    /** Containers with an index of their frames. In the others a jump lands somewhere, and seconds are needed to find the step. */
    private const INDEXED = ['mp4', 'mov', 'matroska', 'webm', 'avi', 'mxf'];

    private Fraction $from;

    /**
     * @param  FrameRange  $range  frames of the cut at its rate (Reading::length())
     * @param  int  $lead  seconds that filters with a memory need before the first frame
     */
    public function __construct(private Reading $reading, public FrameRange $range, int $lead = 1)
    {
        $seconds = in_array($reading->container, self::INDEXED, true) ? $lead : $lead + 6;
        $frame =
            $range->first -
            (int) ceil(
                $this->rate()
                    ->perSecond->times($this->isUneven() ? max(10, $seconds) : $seconds)
                    ->toFloat(),
            );
        $this->from = $frame < 1 || $this->isByCount() ? new Fraction(0) : $this->time($frame);
    }

    public static function whole(Reading $reading): self
    {
        return new self($reading, FrameRange::whole(max(1, $reading->length())));
    }

    public function isWhole(): bool
    {
        return $this->range->first === 0 && $this->range->last >= $this->reading->length() - 1;
    }

    /** @return list<string> options before the input */
    public function input(): array
    {
        if ($this->from->compare(0) === 0) {
            return [];
        }

        // Where frames come unevenly, the one shown at the place may have begun long before: the engine is to keep it.
        return [...$this->isUneven() ? ['-noaccurate_seek'] : [], '-ss', self::seconds($this->from)];
    }

    /** Seconds from where the engine is sent to the first frame. */
    public function starts(): Fraction
    {
        return $this->time($this->range->first)->minus($this->from);
    }

    /** @return list<string> filters of the picture */
    public function picture(): array
    {
        $rate = $this->rate();
        $start = $this->starts();
        // What is held at the end of the cut is shown for as long; nothing else is made up where frames are missing.
        $held = $this->range->last >= $this->reading->length() - 1 ? self::held($this->reading) : 0;

        return [
            ...$this->isByCount() ? ['settb=AVTB', "setpts=N/({$rate})/TB"] : [],
            "fps=fps={$rate}:start_time=".self::seconds($start),
            ...$held > 0 ? ["tpad=stop={$held}:stop_mode=clone"] : [],
            "trim=end_frame={$this->range->count()}",
            'setpts=PTS-STARTPTS',
        ];
    }

    /** @return list<string> filters of the sound under these frames; silence where it begins late */
    public function sound(): array
    {
        $start = $this->rate()->secondsOf($this->range->first);

        // Sound that outlasts the picture of a whole cut belongs to it.
        return $this->soundBetween($start, $this->isWhole() ? null : $start->plus($this->rate()->secondsOf($this->range->count())));
    }

    /**
     * Sound from one moment to another, in seconds after the first frame of the cut. What lies before the spot that the engine
     * was sent to cannot be had.
     *
     * @param  Fraction|null  $end  null for all that follows
     * @return list<string>
     */
    public function soundBetween(Fraction $start, ?Fraction $end): array
    {
        $offset = $this->time(0)->minus($this->from);
        $start = $start->plus($offset);

        return [
            'aresample=async=1:first_pts=0',
            'atrim=start='.self::seconds($start).($end === null ? '' : ':end='.self::seconds($end->plus($offset))),
            'asetpts=PTS-('.self::seconds($start).')/TB',
        ];
    }

    /** Seconds from the start of the file to a frame. */
    private function time(int $frame): Fraction
    {
        return $this->rate()
            ->secondsOf($frame)
            ->plus($this->reading->mainVideo()->starts ?? new Fraction(0));
    }

    private function rate(): FrameRate
    {
        return $this->reading->mainVideo()->frameRate ?? FrameRate::of(25);
    }

    private function isUneven(): bool
    {
        return $this->reading->mainVideo()?->isEven() === false;
    }

    private function isByCount(): bool
    {
        return $this->reading->mainVideo()?->clock->isByCount() === true;
    }

    /** Frames for which the last one is held beyond its own. */
    private static function held(Reading $reading): int
    {
        $video = $reading->mainVideo();

        return $video === null ? 0 : max(0, $video->length - $video->frames);
    }

    /** The engine counts time in microseconds. */
    private static function seconds(Fraction $seconds): string
    {
        $micro = $seconds->times(1_000_000)->round();

        return sprintf('%s%d.%06d', $micro < 0 ? '-' : '', intdiv(abs($micro), 1_000_000), abs($micro) % 1_000_000);
    }
}
