<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Models\Cut;
use App\Models\Run;
use App\Models\TransitTest;
use App\Models\WorkState;
use OuterCrate\Encoding\Commands\PixelsCommand;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;

/** What can be looked at side by side: a test's candidates before and after the host, or what was made of a cut beside it. */
class Comparisons
{
    public function __construct(
        private readonly StepStore $store,
        private readonly CutReader $reader,
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
        $here = $cut->hasChanged() ? null : $cut->path;
        $made = is_file($run->file) ? $run->file : null;
        $sources = [
            new Source('cut', 'The cut', basename($cut->path), $here, (string) $cut->fingerprint, $range->first),
            new Source('made', 'As it was made', basename($run->file), $made, (string) $run->slip['sha256']),
        ];

        return new Comparison($run->cut_name, $cut->id, $cut->reading(), [$range], $sources);
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
        $path = $source->path ?? throw new FileProblem('This file is no longer kept.', $source->detail, 'Test again, or make it again.');
        $this->store->touch($source->key);
        $size = $comparison->size();
        $key = StepStore::key('pixels', $source->key, $frame + $source->offset, (string) $size, $this->capabilities->version());

        return $this->store->file($key, 'png', function (string $partial) use ($comparison, $source, $path, $frame, $size): void {
            $reading = $this->reader->read($path)['reading'];
            $own = $reading->mainVideo()->frameRate ?? throw EngineFailed::noPicture();
            $rate = $comparison->reading->mainVideo()->frameRate ?? $own;
            // The frame that is shown at that time, where the rate is another one.
            $at = $own->equals($rate)
                ? $frame + $source->offset
                : (int) floor(($frame + 0.5) * $own->perSecond->toFloat() / $rate->perSecond->toFloat()) + $source->offset;
            $this->runner->encode(PixelsCommand::of($reading, $path, $at, $size, $partial), dirname($partial));
        });
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
