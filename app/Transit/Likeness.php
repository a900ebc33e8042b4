<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\RawPictures;
use App\Media\Scratch;
use App\Media\StepStore;
use Closure;
use OuterCrate\Analysis\Segment;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Commands\LikenessCommand;
use OuterCrate\Measures\Alignment;
use OuterCrate\Measures\OverTime;
use OuterCrate\Measures\SamePicture;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\CloseUp;
use OuterCrate\Transit\ReferenceWindow;
use OuterCrate\Transit\Why;
use OuterCrate\Transit\Windows;
use OuterCrate\Units\FrameSize;

/** Holds a file against the reel that it came from. */
class Likeness
{
    /** @var array<string, list<list<array{place: array{int, int}, window: ReferenceWindow}>>> by reel: of each piece */
    private array $windows = [];

    public function __construct(
        private readonly Runner $runner,
        private readonly StepStore $store,
        private readonly Capabilities $capabilities,
    ) {
    }

    /**
     * @param  Closure(): bool  $shouldStop
     * @param  int  $keyframeEvery  frames from one keyframe of the whole to the next; 0 where every frame counts the same
     * @return array<mixed> figures, with `ssim` of each piece
     *
     * @throws EngineFailed when they are not of the same picture
     */
    public function of(Reel $reel, Material $file, Closure $shouldStop, int $keyframeEvery = 0): array
    {
        $key = $this->key($reel, $file->key, $keyframeEvery);

        return $this->store->figures($key, fn (): array => $this->measured($reel, $file, $keyframeEvery, $shouldStop));
    }

    /**
     * Looks at the reel itself, for all files that are held against it.
     *
     * @param  Closure(): bool  $shouldStop
     */
    public function prepare(Reel $reel, Closure $shouldStop): void
    {
        $this->windowsOf($reel, $shouldStop);
    }

    /** What its figures are kept under. */
    public function key(Reel $reel, string $key, int $keyframeEvery): string
    {
        return StepStore::key('likeness', $reel->key, $key, $this->capabilities->version(), $keyframeEvery);
    }

    /**
     * How much of the picture is left, and nothing else: a tenth of the time of all figures.
     *
     * @param  Closure(): bool  $shouldStop
     * @return array<mixed> `ssim` of each piece, and what the alignment of frames tells
     *
     * @throws EngineFailed when they are not of the same picture
     */
    public function atAGlance(Reel $reel, Material $file, Closure $shouldStop): array
    {
        $kept = StepStore::key('glance', $reel->key, $file->key, $this->capabilities->version());

        return $this->store->figures($kept, function () use ($reel, $file, $shouldStop): array {
            $scratch = Scratch::named('likeness-'.bin2hex(random_bytes(4)));
            try {
                return $this->laidOver($reel, $file, [], $scratch, $shouldStop);
            } finally {
                $scratch->remove();
            }
        });
    }

    /** @return array<mixed> */
    private function measured(Reel $reel, Material $file, int $keyframeEvery, Closure $shouldStop): array
    {
        $scratch = Scratch::named('likeness-'.bin2hex(random_bytes(4)));
        try {
            $figures = $this->laidOver($reel, $file, $this->lookedAt($reel), $scratch, $shouldStop, $keyframeEvery);

            return $figures + [
                'psnr' => self::psnr(self::figures($scratch->lines(LikenessCommand::PSNR), 'mse_avg')),
                'vif' => self::vif($scratch->lines(LikenessCommand::VIF)),
            ] + $this->closeUp($reel, "{$scratch->path}/".LikenessCommand::PICTURES, $shouldStop);
        } finally {
            $scratch->remove();
        }
    }

    /**
     * @param  list<int>  $looked  frames that are looked at closely
     * @param  int  $keyframeEvery  frames from one keyframe of the whole to the next; 0 where every frame counts the same
     * @return array<mixed>
     */
    private function laidOver(
        Reel $reel,
        Material $file,
        array $looked,
        Scratch $scratch,
        Closure $shouldStop,
        int $keyframeEvery = 0,
    ): array {
        $lay = function (int $late) use ($reel, $file, $looked, $scratch, $shouldStop): void {
            $command = LikenessCommand::of($reel->reading, $reel->path, $file->reading, $file->path, $looked, $late);
            $this->runner->encode($command, $scratch->path, shouldStop: $shouldStop);
        };
        $lay(0);
        $shown = self::pictures($scratch->whole(LikenessCommand::LITTLE_PICTURES));
        $little = $this->little($reel, $shouldStop);
        $alignment = Alignment::of($little, $shown);
        $alignment->shift === 0 ?: $lay($alignment->shift);
        $perFrame = self::figures($scratch->lines(LikenessCommand::SSIM), 'All');
        if ($perFrame === []) {
            throw new EngineFailed('No frame of it could be measured.', 'The file may be damaged: play it through.');
        }
        $pieces = $this->byPiece($reel, $perFrame);

        return [
            'ssim' => array_map(fn (array $frames, int $i): float => round(
                // A range that is taken whole has the keyframes that it has.
                OverTime::ofPiece($frames, ($reel->pieces[$i]->why ?? null) === Why::Whole ? 0 : $keyframeEvery),
                7,
            ), $pieces, array_keys($pieces)),
            'ssimWorst' => round(min(array_map(
                fn (array $frames): float => OverTime::worstSecond($frames, Segment::framesPerSecond($reel->rate())),
                $pieces,
            )), 7),
            'frames' => array_map(fn (float $ssim): float => round(OverTime::decibels($ssim), 2), $perFrame),
            'shift' => $alignment->shift,
            'repeated' => $alignment->repeated,
            'dropped' => $alignment->dropped,
            'alike' => round(SamePicture::of($little, $shown, $alignment->shift), 4),
        ];
    }

    /** @return array<string, mixed> */
    private function closeUp(Reel $reel, string $path, Closure $shouldStop): array
    {
        $size = self::size($reel->reading);
        $pictures = new RawPictures($path, $size);
        $closeUp = new CloseUp($size->height);
        foreach ($this->windowsOf($reel, $shouldStop) as $piece => $windows) {
            foreach ($windows as ['place' => $place, 'window' => $window]) {
                $closeUp->add($window, $pictures->window(2 * $piece, ...$place), $pictures->window(2 * $piece + 1, ...$place));
                if ($shouldStop()) {
                    throw new Stopped;
                }
            }
        }

        return $closeUp->toArray();
    }

    /** @return list<list<array{place: array{int, int}, window: ReferenceWindow}>> */
    private function windowsOf(Reel $reel, Closure $shouldStop): array
    {
        if (isset($this->windows[$reel->key])) {
            return $this->windows[$reel->key];
        }
        $size = self::size($reel->reading);
        $pictures = new RawPictures($this->reference($reel, $shouldStop)[0], $size);
        $all = [];
        foreach (array_keys($reel->looked()) as $piece) {
            $all[] = array_map(fn (array $place): array => [
                'place' => $place,
                'window' => new ReferenceWindow(
                    $pictures->window(2 * $piece, ...$place),
                    $pictures->window(2 * $piece + 1, ...$place),
                    $size->height,
                ),
            ], Windows::of($size->width, $size->height, $pictures->sparse(2 * $piece)));
        }
        // Of one reel only: they take tens of megabytes.
        $this->windows = [$reel->key => $all];

        return $all;
    }

    /**
     * Every frame of a reel as a little grey picture.
     *
     * @param  Closure(): bool  $shouldStop
     * @return non-empty-list<string>
     */
    public function little(Reel $reel, Closure $shouldStop): array
    {
        return self::pictures((string) file_get_contents($this->reference($reel, $shouldStop)[1]));
    }

    /** @return array{string, string} the frames of the reel that are looked at closely, and all of them small */
    private function reference(Reel $reel, Closure $shouldStop): array
    {
        $key = StepStore::key('reference', $reel->key, $this->capabilities->version());
        $scratch = null;
        // Both are written in one go.
        $make = function (string $name) use ($reel, $shouldStop, &$scratch): Closure {
            return function (string $partial) use ($reel, $name, $shouldStop, &$scratch): void {
                if ($scratch === null) {
                    $scratch = Scratch::named('reference-'.bin2hex(random_bytes(4)));
                    $command = LikenessCommand::reference($reel->reading, $reel->path, $this->lookedAt($reel));
                    $this->runner->encode($command, $scratch->path, shouldStop: $shouldStop);
                }
                $scratch->moveTo($name, $partial);
            };
        };
        try {
            return [
                $this->store->file($key, 'yuv', $make(LikenessCommand::PICTURES)),
                $this->store->file($key, 'gray', $make(LikenessCommand::LITTLE_PICTURES)),
            ];
        } finally {
            $scratch?->remove();
        }
    }

    /** @return list<int> two frames in a row of each piece */
    private function lookedAt(Reel $reel): array
    {
        return array_merge(...array_map(fn (int $frame): array => [$frame, $frame + 1], $reel->looked()));
    }

    private static function size(Reading $reel): FrameSize
    {
        return $reel->mainVideo()?->displaySize() ?? throw EngineFailed::noPicture();
    }

    /** @return non-empty-list<string> */
    private static function pictures(string $bytes): array
    {
        return str_split($bytes, DecodeCommand::WIDTH * DecodeCommand::HEIGHT);
    }

    /**
     * A figure of each frame, from the engine's lines `n:1 Y:0.98 … All:0.97 (15.2)`.
     *
     * @param  iterable<string>  $lines
     * @return list<float>
     */
    private static function figures(iterable $lines, string $name): array
    {
        $figures = [];
        foreach ($lines as $line) {
            if (preg_match("~(?:^| ){$name}:(\S+)~", $line, $m) === 1) {
                $figures[] = is_numeric($m[1]) ? (float) $m[1] : 1.0;
            }
        }

        return $figures;
    }

    /**
     * @param  list<float>  $perFrame
     * @return non-empty-list<non-empty-list<float>>
     */
    private function byPiece(Reel $reel, array $perFrame): array
    {
        $pieces = [];
        foreach ($reel->starts() as $i => $start) {
            // At a shift the last frames have nothing to be held against.
            $pieces[] = array_slice($perFrame, $start, $reel->pieces[$i]->frames->count()) ?: [$perFrame[count($perFrame) - 1]];
        }

        return $pieces ?: [$perFrame];
    }

    /** @param  list<float>  $errors  mean squared, of samples of 10 bits */
    private static function psnr(array $errors): ?float
    {
        $mean = array_sum($errors) / max(1, count($errors));

        return $errors === [] || $mean <= 0 ? null : round(10 * log10(1023 ** 2 / $mean), 2);
    }

    /**
     * The mean over the engine's four scales and the frames that were looked at.
     *
     * @param  iterable<string>  $lines
     */
    private static function vif(iterable $lines): ?float
    {
        [$sum, $count] = [0.0, 0];
        foreach ($lines as $line) {
            if (preg_match('~lavfi\.vif\.scale\.\d=(\S+)~', $line, $m) === 1 && is_numeric($m[1])) {
                $sum += (float) $m[1];
                $count++;
            }
        }

        return $count === 0 ? null : round($sum / $count, 4);
    }
}
