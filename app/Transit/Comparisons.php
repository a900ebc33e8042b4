<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\CutFile;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\Fingerprint;
use App\Media\Scratch;
use App\Media\SeparateReader;
use App\Media\StepStore;
use App\Models\Cut;
use App\Models\Run;
use App\Models\TransitTest;
use App\Models\WorkState;
use OuterCrate\Encoding\Commands\LumaCommand;
use OuterCrate\Encoding\Commands\PixelsCommand;
use OuterCrate\Measures\FaultMap;
use OuterCrate\Measures\Plane;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;

/** What can be looked at side by side: a test's candidates before and after the host, or what was made of a cut beside it. */
class Comparisons
{
    /** Pixels across at which faults are looked for: a frame takes a second, and what is seen from a chair is seen there. */
    private const LOOKED_AT = 960;

    public function __construct(
        private readonly StepStore $store,
        private readonly SeparateReader $reader,
        private readonly Runner $runner,
        private readonly Capabilities $capabilities,
    ) {
    }

    public function ofTest(TransitTest $test): ?Comparison
    {
        $result = $test->result;
        $made = $test->made;
        if ($result === null || $made === null) {
            return null;
        }
        $kept = fn (string $id, string $label, string $detail, array $file): Source => new Source(
            $id,
            $label,
            $detail,
            $this->store->find($file['file']),
            $file['file'],
            likeness: $file['likeness'] ?? null,
        );
        $sources = [$kept('cut', 'The cut', 'pieces, without loss', ['file' => $made['reel']])];
        foreach ($result['candidates'] as $i => $candidate) {
            $files = $made['candidates'][$i];
            $rate = fn (int $bits): string => (string) new Bitrate($bits);
            $what = "{$candidate['name']} · ".$rate($candidate['upload']['bitrate']);
            $sources[] = $kept("{$i}-upload", 'The upload', $what, $files['upload']);
            foreach ($candidate['after'] as $at => $after) {
                $what = "{$candidate['name']} → {$after['rendition']} {$after['tier']} · ".$rate($after['bitrate']);
                $sources[] = $kept("{$i}-{$after['screen']}", 'After the host', $what, $files['after'][$at]);
            }
        }
        $spans = array_map(fn (array $piece): FrameRange => new FrameRange($piece['firstFrame'], $piece['lastFrame']), $result['pieces']);

        return new Comparison("{$test->cut->name} at {$result['hostName']}", $test->cut_id, $test->cut->reading(), $spans, $sources);
    }

    public function ofRun(Run $run): ?Comparison
    {
        $cut = Cut::query()->find($run->cut_id);
        if ($cut === null || $run->work->state !== WorkState::Done) {
            return null;
        }
        $range = new FrameRange($run->plan['range']['first'], $run->plan['range']['last']);
        $here = CutFile::isHere($cut) ? $cut->path : null;
        $made = $run->gone_at === null && Drive::holds($run->file) && is_file($run->file) ? $run->file : null;
        $sources = [
            new Source('cut', 'The cut', basename($cut->path), $here, (string) $cut->fingerprint, $range->first),
            new Source('made', 'As it was made', basename($run->file), $made, (string) $run->slip['sha256']),
        ];

        return new Comparison($run->cut_name, $cut->id, $cut->reading(), [$range], $sources);
    }

    /**
     * Two or three files of the media folders, laid over the first frame by frame.
     *
     * @param  non-empty-list<string>  $paths  real ones
     *
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function ofFiles(array $paths): Comparison
    {
        $prints = array_map(Fingerprint::of(...), $paths);
        $reading = $this->reading($paths[0], $prints[0]);
        $reading->mainVideo() ?? throw EngineFailed::noPicture();
        $labels = ['The first', 'The second', 'The third'];
        $sources = array_map(fn (string $path, int $i): Source => new Source(
            (string) $i,
            $labels[$i] ?? 'A file',
            basename($path),
            $path,
            $prints[$i],
        ), $paths, array_keys($paths));

        return new Comparison(basename($paths[0]), null, $reading, [FrameRange::whole(max(1, $reading->length()))], $sources);
    }

    /**
     * A frame of one of the files as a PNG at the cut's size.
     *
     * @param  int  $frame  of the comparison, counted from 0
     *
     * @throws FileProblem when it is no longer there
     * @throws EngineFailed
     */
    public function picture(Comparison $comparison, Source $source, int $frame): string
    {
        $path = $source->path ?? throw self::gone($source);
        $this->store->touch($source->key);
        $size = $comparison->size();
        $key = StepStore::key('pixels', $source->key, $frame + $source->offset, (string) $size, $this->capabilities->version());

        return $this->store->file($key, 'png', function (string $partial) use ($comparison, $source, $path, $frame, $size): void {
            $reading = $this->reading($path, $source->key);
            $at = self::at($comparison, $source, $reading, $frame);
            $this->runner->encode(PixelsCommand::of($reading, $path, $at, $size, $partial), dirname($partial));
        });
    }

    /**
     * Where in a frame a file lost detail of the first one, or has bands that that has not.
     *
     * @param  int  $frame  of the comparison, counted from 0
     * @return array<mixed> resources/schema/fault-map.json
     *
     * @throws FileProblem when one of them is no longer there
     * @throws EngineFailed
     */
    public function faults(Comparison $comparison, Source $source, int $frame): array
    {
        $reference = $comparison->sources[0];
        $size = $comparison->size();
        $times = min(1.0, self::LOOKED_AT / max(1, $size->width));
        $even = fn (int $side): int => max(2, 2 * (int) round($side * $times / 2));
        $small = new FrameSize($even($size->width), $even($size->height));
        $key = StepStore::key('faults', $reference->key, $source->key, $frame, (string) $small, $this->capabilities->version());

        return $this->store->figures($key, fn (): array => FaultMap::of(
            $this->luma($comparison, $reference, $frame, $small),
            $this->luma($comparison, $source, $frame, $small),
            $small->height,
        )->toArray());
    }

    /** Cached, because every compared frame needs it. */
    private function reading(string $path, string $key): Reading
    {
        ['probe' => $probe, 'fastStart' => $fastStart] = $this->store->figures(
            StepStore::key('probe', $key, $this->capabilities->version()),
            fn (): array => $this->reader->probe($path),
        );

        return (new ProbeReader)->read($probe, (int) filesize($path), $fastStart);
    }

    private function luma(Comparison $comparison, Source $source, int $frame, FrameSize $size): Plane
    {
        $path = $source->path ?? throw self::gone($source);
        $reading = $this->reading($path, $source->key);
        $scratch = Scratch::named('luma-'.bin2hex(random_bytes(4)));
        try {
            $command = LumaCommand::of($reading, $path, self::at($comparison, $source, $reading, $frame), $size);
            $this->runner->encode($command, $scratch->path);
            $bytes = $scratch->whole(LumaCommand::FILE);
        } finally {
            $scratch->remove();
        }
        if (strlen($bytes) !== 2 * $size->pixels()) {
            throw new EngineFailed('This frame could not be decoded.', 'Choose another frame, or play the file through.');
        }

        return Plane::ofBytes($size->width, $size->height, $bytes);
    }

    /** The frame of a file that is shown at that time, where its rate is another one. */
    private static function at(Comparison $comparison, Source $source, Reading $reading, int $frame): int
    {
        $own = $reading->mainVideo()->frameRate ?? throw EngineFailed::noPicture();
        $rate = $comparison->reading->mainVideo()->frameRate ?? $own;

        return $source->offset + ($own->equals($rate)
            ? $frame
            : (int) floor(($frame + 0.5) * $own->perSecond->toFloat() / $rate->perSecond->toFloat()));
    }

    private static function gone(Source $source): FileProblem
    {
        return new FileProblem('This file is no longer kept.', $source->detail, 'Test again, or make it again.');
    }

    /** @return array<string, mixed> resources/schema/comparison-view.json, with how alike each frame is where that was measured */
    public function told(Comparison $comparison): array
    {
        $curves = array_map(function (Source $source): ?array {
            $figures = $source->likeness === null ? null : $this->store->known($source->likeness);

            return isset($figures['frames']) ? array_map(floatval(...), $figures['frames']) : null;
        }, $comparison->sources);

        return $comparison->toArray($curves);
    }
}
