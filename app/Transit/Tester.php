<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Models\Cut;
use Closure;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Planner;
use OuterCrate\Planning\Subject;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Sends candidates through a host's recompression, and measures what is left on a viewer's screen. */
class Tester
{
    public function __construct(
        private readonly ReelMaker $reels,
        private readonly HeldEncoder $encoder,
        private readonly Likeness $likeness,
        private readonly StandIn $standIn,
        private readonly Planner $planner,
        private readonly Capabilities $capabilities,
    ) {
    }

    /**
     * @param  non-empty-list<Candidate>  $candidates
     * @param  non-empty-list<Screen>  $screens
     * @param  list<FrameRange>  $chosen  pieces that the person chose
     * @param  Closure(float): void  $onShare  told how much of it is done, 0 to 1
     * @param  Closure(): bool  $shouldStop
     * @return array{result: array<string, mixed>, made: array<string, mixed>} resources/schema/transit.json, and the files by name
     *
     * @throws TestRefused
     */
    public function test(
        Cut $cut,
        Host $host,
        array $candidates,
        array $screens,
        int $pieces,
        array $chosen,
        Weights $weights,
        Closure $onShare,
        Closure $shouldStop,
    ): array {
        $recompression = $host->recompression ?? throw TestRefused::noLadder($host->name);
        $reading = $cut->reading();
        $range = $candidates[0]->plan->range;
        $chosenPieces = $this->reels->pieces($cut, $reading, $range, $pieces, $chosen);
        $reel = $this->reels->reel($cut->path, $cut->fingerprint, $reading, $chosenPieces, $shouldStop);
        $done = 0;
        // An upload is encoded and measured, then what comes back for each screen.
        $steps = count($candidates) * (2 + count($screens));
        $step = function (int $by = 1) use (&$done, $steps, $onShare): void {
            $done += $by;
            $onShare(0.05 + 0.95 * $done / $steps);
        };
        $onShare(0.05);
        $results = [];
        foreach ($candidates as $candidate) {
            $upload = $this->upload($reel, $cut, $candidate, $shouldStop);
            $arrived = new Upload(
                $upload->plan->frameSize->frame,
                $upload->plan->frameRate->rate,
                $upload->plan->colour->colour->isHdr(),
            );
            $tier = $recompression->tierOf($arrived);
            $renditions = $tier->renditionsOf($arrived->frame);
            $step();
            $own = $this->likeness->of($reel, $upload->path, $upload->key, $shouldStop, $upload->reading);
            $step();
            $byRung = [];
            foreach ($screens as $screen) {
                $rung = $screen->pick($renditions);
                $byRung[$rung->shorterSide] ??= $this->passedOn($reel, $cut, $upload, $rung, $arrived, $shouldStop);
                $step();
            }
            $results[] = [
                'candidate' => $candidate,
                'upload' => $upload,
                'own' => $own,
                'tier' => $tier->name,
                'after' => array_map(fn (Screen $screen): array => $byRung[$screen->pick($renditions)->shorterSide], $screens),
            ];
        }

        $heard = $this->subject($cut, $reading);

        return [
            'result' => (new Telling($reel, $host, $screens, $range))->of($results, $weights, $heard),
            'made' => ['reel' => basename($reel->path), 'candidates' => array_map(fn (array $result): array => [
                'upload' => $this->file($reel, $result['upload']),
                'after' => array_map(fn (array $after): array => $this->file($reel, $after['rendition']), $result['after']),
            ], $results)],
        ];
    }

    /** @return array{file: string, likeness: string} by name in the store */
    private function file(Reel $reel, Encoded $encoded): array
    {
        return ['file' => basename($encoded->path), 'likeness' => $this->likeness->key($reel, $encoded->key).'.json'];
    }

    private function upload(Reel $reel, Cut $cut, Candidate $candidate, Closure $shouldStop): Encoded
    {
        $master = $candidate->master;
        if ($master === null) {
            return $this->made($reel, $cut, $candidate->plan, $reel->path, $reel->reading, $reel->key, $shouldStop);
        }
        $made = $this->made($reel, $cut, $master, $reel->path, $reel->reading, $reel->key, $shouldStop);

        return $this->made($reel, $cut, $candidate->plan, $made->path, $made->reading, $made->key, $shouldStop);
    }

    /**
     * The pieces as a whole is planned, out of a file that holds them.
     *
     * @param  string  $key  of its content
     */
    private function made(Reel $reel, Cut $cut, Plan $whole, string $path, Reading $reading, string $key, Closure $shouldStop): Encoded
    {
        $spec = $whole->spec;
        $plan = $this->planner->plan($this->subject($cut, $reading), new OutputSpec($spec->preset, $spec->host, $spec->edits));
        if (! $plan->frameSize->showsAll()) {
            throw TestRefused::otherShape($spec->preset->name);
        }

        return $this->encoder->encode($reel, $path, $reading, $key, $plan->atBitrate($whole->bitrate), $shouldStop);
    }

    /** @return array{rung: Rung, rendition: Encoded, figures: array<mixed>} */
    private function passedOn(Reel $reel, Cut $cut, Encoded $upload, Rung $rung, Upload $arrived, Closure $shouldStop): array
    {
        $rendition = $this->standIn->ofPieces(
            $reel,
            $upload->path,
            $upload->reading,
            $upload->key,
            $arrived,
            $rung,
            $shouldStop,
            $cut->found(),
        );

        return [
            'rung' => $rung,
            'rendition' => $rendition,
            'figures' => $this->likeness->of($reel, $rendition->path, $rendition->key, $shouldStop, $rendition->reading),
        ];
    }

    /** The cut as it lies in a file of ours: no drive has to have room for that, and no name be free. */
    private function subject(Cut $cut, Reading $reading): Subject
    {
        return new Subject(
            reading: $reading,
            encoders: $this->capabilities->encoders(),
            cutName: $cut->name,
            found: $cut->found(),
            hardware: $this->capabilities->knownHardware(),
        );
    }
}
