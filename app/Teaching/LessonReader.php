<?php

namespace App\Teaching;

use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\Fingerprint;
use App\Transit\Likeness;
use App\Transit\Reel;
use App\Transit\ReelMaker;
use App\Transit\StandIn;
use Closure;
use OuterCrate\Analysis\Segment;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Measures\OverTime;
use OuterCrate\Measures\SamePicture;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Teaching\KeyframeDistance;
use OuterCrate\Teaching\Lesson;
use OuterCrate\Teaching\SeenRendition;
use OuterCrate\Teaching\WhichIsUpload;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;

/** Finds out which of some files is the upload, and reads and measures what a host made of it. */
class LessonReader
{
    /** Pieces of an upload that is too long to be looked at whole. */
    private const PIECES = 4;

    /** Seconds of each: a rate is not told by a moment. */
    private const SECONDS = 2;

    /** Frames of each of two uploads by which they are held to be the same cut. */
    private const GLANCES = 24;

    /** Seconds by which uploads of one cut may differ: a frame or two that a rate or a container rounds. */
    private const SAME_LENGTH = 0.2;

    /** Part by which the shape of a rendition may differ from its upload's: sides are rounded to even pixels. */
    private const SAME_SHAPE = 0.02;

    public function __construct(
        private readonly CutReader $reader,
        private readonly ReelMaker $reels,
        private readonly Likeness $likeness,
        private readonly Catalogue $catalogue,
    ) {
    }

    /**
     * @param  list<string>  $paths  the upload and what came back, in any order
     * @param  list<SeenLesson>  $before  lessons that were read before it
     * @param  Closure(): bool  $shouldStop
     *
     * @throws TeachingRefused
     */
    public function read(array $paths, array $before, Closure $shouldStop): SeenLesson
    {
        $files = array_map(fn (string $path): SeenFile => $this->file($path, $shouldStop), $paths);
        $this->holdApart($files);
        $at = WhichIsUpload::of(array_map(fn (SeenFile $file) => $file->reading, $files) ?: throw TeachingRefused::nothing());
        $upload = $files[$at];
        unset($files[$at]);
        $files !== [] ?: throw TeachingRefused::alone($upload->path);
        $range = FrameRange::whole(max(1, $upload->video->length));
        $range->count() > 1 ?: throw TeachingRefused::tooShort($upload->path);
        $second = Segment::framesPerSecond($upload->video->frameRate);
        $pieces = ChoosePieces::of($range, null, $second, self::PIECES, self::SECONDS * $second);
        $reel = $this->reels->reel($upload->path, $upload->fingerprint, $upload->reading, $pieces, $shouldStop);
        $renditions = array_map(fn (SeenFile $file): MeasuredRendition => $this->rendition($file, $upload, $reel, $shouldStop), $files);
        usort($renditions, fn (MeasuredRendition $a, MeasuredRendition $b): int => $b->seen->lines() <=> $a->seen->lines());

        return new SeenLesson($upload, $reel, $renditions, new Lesson(
            $upload->name(),
            StandIn::uploadOf($upload->reading),
            $this->picture($upload, $reel, $before, $shouldStop),
            array_map(fn (MeasuredRendition $one): SeenRendition => $one->seen, $renditions),
        ));
    }

    private function file(string $path, Closure $shouldStop): SeenFile
    {
        $packets = [];
        [$reading, $tally] = $this->reader->readWhole($path, true, null, function (Packet $packet) use (&$packets, $shouldStop): void {
            $shouldStop() ? throw new Stopped : null;
            $packets[$packet->stream][] = [$packet->shown ?? 0.0, $packet->bytes];
        });
        $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();

        return new SeenFile($path, Fingerprint::of($path), $reading, $video, $tally, $packets[$video->index] ?? []);
    }

    /** @param  list<SeenFile>  $files */
    private function holdApart(array $files): void
    {
        $seen = [];
        foreach ($files as $file) {
            ! isset($seen[$file->fingerprint]) ?: throw TeachingRefused::twice($file->path);
            $seen[$file->fingerprint] = true;
        }
    }

    private function rendition(SeenFile $file, SeenFile $upload, Reel $reel, Closure $shouldStop): MeasuredRendition
    {
        $video = $file->video;
        isset($this->catalogue->videoCodecs()[$video->codec]) ?: throw TeachingRefused::notMade($file->path, $video->codecName);
        $shapes = $video->displayAspect()->toFloat() / $upload->video->displayAspect()->toFloat();
        abs($shapes - 1) <= self::SAME_SHAPE ?: throw TeachingRefused::otherShape($file->path, $upload->path);
        $pieces = array_map(fn (TestPiece $piece): TestPiece => $this->sameTime($piece, $upload->video, $video), $reel->pieces);
        $own = $this->reels->reel($file->path, $file->fingerprint, $file->reading, $pieces, $shouldStop);
        $figures = $this->likeness->atAGlance($reel, $own->material(), $shouldStop);
        $figures['alike'] >= SamePicture::SAME ?: throw TeachingRefused::otherPicture($file->path, $upload->path, $figures['alike']);
        $gop = $video->gop;

        return new MeasuredRendition(
            $file,
            new SeenRendition(
                $file->name(),
                $video->displaySize(),
                $video->codec,
                new Bitrate((int) round($file->rate())),
                $file->tally->keyframes > 1 ? KeyframeDistance::of($file->tally->longestGap, $video->frameRate) : null,
                $this->catalogue->videoCodecs()[$video->codec]->mostBFrames() > 0 ? $gop?->bFrames : null,
            ),
            round(OverTime::decibels(Outcome::mean($figures['ssim'], $reel->shares())), 3),
            $file->rateWithin(array_map(fn (TestPiece $piece): FrameRange => $piece->frames, $pieces)),
        );
    }

    /** The frames of another file that are shown while a piece is. */
    private function sameTime(TestPiece $piece, VideoReading $of, VideoReading $in): TestPiece
    {
        $at = fn (int $frame): int => $in->frameRate->framesIn($of->frameRate->secondsOf($frame));
        $frames = FrameRange::whole(max(1, $in->length))->clamp($at($piece->frames->first), $at($piece->frames->last + 1) - 1);

        return new TestPiece($frames, $piece->share, $piece->weight, $piece->why);
    }

    /**
     * The same word for uploads of the same cut.
     *
     * @param  list<SeenLesson>  $before
     */
    private function picture(SeenFile $upload, Reel $reel, array $before, Closure $shouldStop): string
    {
        foreach ($before as $other) {
            if (abs($other->upload->seconds() - $upload->seconds()) > self::SAME_LENGTH) {
                continue;
            }
            $alike = SamePicture::of($this->glances($other->reel, $shouldStop), $this->glances($reel, $shouldStop));
            if ($alike >= SamePicture::SAME) {
                return $other->lesson->picture;
            }
        }

        return $upload->fingerprint;
    }

    /** @return list<string> little pictures at the same times, whatever the frame rate */
    private function glances(Reel $reel, Closure $shouldStop): array
    {
        $pictures = $this->likeness->little($reel, $shouldStop);

        return array_map(
            fn (int $i): string => $pictures[(int) (($i + 0.5) * count($pictures) / self::GLANCES)],
            range(0, self::GLANCES - 1),
        );
    }
}
