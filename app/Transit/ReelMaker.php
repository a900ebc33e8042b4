<?php

namespace App\Transit;

use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\StepStore;
use App\Media\Workspace;
use App\Models\Cut;
use Closure;
use OuterCrate\Analysis\Segment;
use OuterCrate\Encoding\Commands\ReelCommand;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Course;
use OuterCrate\Transit\ReelOrder;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Transit\Why;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** Chooses the pieces of a cut that are tested, and takes them out of it. */
class ReelMaker
{
    public function __construct(
        private readonly Runner $runner,
        private readonly CutReader $reader,
        private readonly StepStore $store,
    ) {
    }

    /**
     * @param  list<FrameRange>  $chosen  by the person; empty where the analysis chooses
     * @return list<TestPiece> as they are laid one after another
     */
    public function pieces(Cut $cut, Reading $reading, FrameRange $range, int $count, array $chosen = []): array
    {
        if ($chosen !== []) {
            $all = array_sum(array_map(fn (FrameRange $piece): int => $piece->count(), $chosen));

            return array_map(fn (FrameRange $piece): TestPiece => new TestPiece($piece, $piece->count() / $all, 1.0, Why::Chosen), $chosen);
        }
        $video = $reading->mainVideo();
        $second = Segment::framesPerSecond($video->frameRate ?? FrameRate::of(25));
        $length = ChoosePieces::length($video?->size->pixels() ?? 0, $second);

        return ReelOrder::of(ChoosePieces::of($range, $this->course($cut, $second), $second, $count, $length), $second);
    }

    /**
     * @param  string  $path  of a file
     * @param  string  $fingerprint  of its content
     * @param  list<TestPiece>  $pieces
     * @param  Closure(): bool  $shouldStop
     */
    public function reel(string $path, string $fingerprint, Reading $reading, array $pieces, Closure $shouldStop): Reel
    {
        $ranges = array_map(fn (TestPiece $piece): FrameRange => $piece->frames, $pieces);
        $spans = array_map(fn (FrameRange $range): string => "{$range->first}-{$range->last}", $ranges);
        $key = StepStore::key('reel', $fingerprint, ...$spans);
        $reel = $this->store->file($key, 'mkv', function (string $partial) use ($path, $reading, $ranges, $shouldStop): void {
            $this->runner->encode(ReelCommand::of($reading, $path, $ranges, $partial), dirname($partial), shouldStop: $shouldStop);
        });

        return new Reel($reel, $key, $this->reader->read($reel)['reading'], $pieces);
    }

    /** The small, fast pass over the whole cut at one quality is its proxy; null where it has not been looked at. */
    private function course(Cut $cut, int $framesPerSecond): ?Course
    {
        $space = Workspace::ofCut($cut->id);
        $facts = $cut->found() === null ? null : $space->facts();
        if ($facts === null || ! is_file($space->proxy())) {
            return null;
        }
        $bytes = array_map(fn (Packet $packet): int => $packet->bytes, $this->reader->picture($space->proxy()));

        return Course::of($facts, $bytes, $framesPerSecond);
    }
}
