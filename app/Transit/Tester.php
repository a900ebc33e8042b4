<?php

namespace App\Transit;

use App\Models\Cut;
use App\Work\SideBySide;
use Closure;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Planner;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;

/** Sends candidates through a host's recompression, and measures what is left on a viewer's screen. */
class Tester
{
    public function __construct(
        private readonly ReelMaker $reels,
        private readonly HeldEncoder $encoder,
        private readonly Likeness $likeness,
        private readonly StandIn $standIn,
        private readonly SentSound $sound,
        private readonly Planner $planner,
        private readonly Subjects $subjects,
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
        $step = function () use (&$done, $steps, $onShare): void {
            $done = min($steps, $done + 1);
            $onShare(0.05 + 0.95 * $done / $steps);
        };
        $onShare(0.05);
        $all = array_map(
            fn (Candidate $candidate): Closure => fn (Closure $shouldStop, Closure $step): array => $this->sent(
                $reel, $cut, $recompression, $candidate, $screens, $step, $shouldStop,
            ),
            $candidates,
        );
        $order = self::heaviestFirst($candidates);
        $look = fn () => $this->likeness->prepare($reel, $shouldStop);
        $atOnce = SideBySide::atOnce(count($candidates));
        $ahead = [];
        if (count($candidates) > $atOnce && $atOnce > 1) {
            // The reel is looked at while the first uploads are encoded, for which nobody has to know how it looks, and what the host makes
            // of one of them, whose tries tell all others where to begin. What comes of these is found in the store at the end.
            $ahead = array_splice($order, 0, $atOnce);
            array_push($order, ...$ahead);
        } else {
            // Looked at before it is copied, not once in each copy.
            count($candidates) > 1 && $look();
        }
        $jobs = [
            ...array_map(
                fn (int $i): Closure => $this->unseen($reel, $cut, $recompression, $candidates[$i], $screens, comesBack: $i === $ahead[0]),
                $ahead,
            ),
            ...array_map(fn (int $i): Closure => $all[$i], $order),
        ];
        SideBySide::run($jobs, $step, $shouldStop, $ahead === [] ? null : $look);
        $nothing = fn () => null;
        // Found in the store now; what went wrong there goes wrong here, and is said.
        $results = array_map(fn (Closure $one): array => $one($shouldStop, $done < $steps ? $step : $nothing), $all);

        return [
            'result' => (new Telling($reel, $host, $screens, $range))->of($results, $weights),
            'made' => ['reel' => basename($reel->path), 'candidates' => array_map(fn (array $result): array => [
                'upload' => $this->file($reel, $result['upload']),
                'after' => array_map(fn (array $after): array => $this->file($reel, $after['rendition']), $result['after']),
            ], $results)],
        ];
    }

    /**
     * What takes longest is not begun last, with nothing left to do beside it.
     *
     * @param  list<Candidate>  $candidates
     * @return list<int> their places
     */
    private static function heaviestFirst(array $candidates): array
    {
        $bits = array_map(fn (Candidate $candidate): int => $candidate->plan->bitrate->average->bitsPerSecond ?? 0, $candidates);
        arsort($bits);

        return array_keys($bits);
    }

    /**
     * A job for which nobody has to know how the reel looks: an upload, and what the host makes of it.
     *
     * @param  non-empty-list<Screen>  $screens
     * @return Closure(Closure(): bool): void
     */
    private function unseen(
        Reel $reel,
        Cut $cut,
        Recompression $recompression,
        Candidate $candidate,
        array $screens,
        bool $comesBack,
    ): Closure {
        return function (Closure $shouldStop) use ($reel, $cut, $recompression, $candidate, $screens, $comesBack): void {
            $upload = $this->upload($reel, $cut, $recompression, $candidate, $screens, $shouldStop);
            foreach ($comesBack ? self::picked($upload->plan, $recompression, $screens) : [] as $rung) {
                $this->rendition($reel, $cut, $upload, $rung, $shouldStop);
            }
        };
    }

    /**
     * A candidate through the host: as an upload, and as what comes back for each screen.
     *
     * @param  non-empty-list<Screen>  $screens
     * @param  Closure(): void  $step
     * @param  Closure(): bool  $shouldStop
     * @return array<string, mixed>
     */
    private function sent(
        Reel $reel,
        Cut $cut,
        Recompression $recompression,
        Candidate $candidate,
        array $screens,
        Closure $step,
        Closure $shouldStop,
    ): array {
        $upload = $this->upload($reel, $cut, $recompression, $candidate, $screens, $shouldStop);
        $step();
        $own = $this->likeness->of($reel, $upload->material(), $shouldStop, $upload->plan->keyframes->frames);
        $step();
        $byRung = [];
        $after = [];
        foreach (self::picked($upload->plan, $recompression, $screens) as $rung) {
            $byRung[$rung->shorterSide] ??= $this->passedOn($reel, $cut, $upload, $rung, $shouldStop);
            $after[] = $byRung[$rung->shorterSide];
            $step();
        }

        return [
            'candidate' => $candidate,
            'upload' => $upload,
            'own' => $own,
            'tier' => $recompression->tierOf(self::arriving($upload->plan))->name,
            'after' => $after,
            'sound' => $this->sound->of($cut, $candidate->plan, $upload, $recompression, self::arriving($upload->plan), $shouldStop),
        ];
    }

    /** @return array{file: string, likeness: string} by name in the store */
    private function file(Reel $reel, Encoded $encoded): array
    {
        $key = $this->likeness->key($reel, $encoded->key, $encoded->plan->keyframes->frames);

        return ['file' => basename($encoded->path), 'likeness' => "{$key}.json"];
    }

    /** @param  non-empty-list<Screen>  $screens */
    private function upload(
        Reel $reel,
        Cut $cut,
        Recompression $recompression,
        Candidate $candidate,
        array $screens,
        Closure $shouldStop,
    ): Encoded {
        $near = HoldRate::nearOf($candidate->plan->bitrate->average, array_map(
            fn (Rung $rung): ?Bitrate => $rung->average,
            self::picked($candidate->plan, $recompression, $screens),
        ));
        $make = fn (Plan $plan, Material $of): Encoded => $this->made($reel, $cut, $candidate->name, $plan, $of, $near, $shouldStop);
        $first = $candidate->master === null ? $reel->material() : $make($candidate->master, $reel->material())->material();

        return $make($candidate->plan, $first);
    }

    /** What a host sees of a file that is planned so. */
    private static function arriving(Plan $plan): Upload
    {
        return new Upload($plan->frameSize->frame, $plan->frameRate->rate, $plan->colour->colour->isHdr());
    }

    /**
     * @param  non-empty-list<Screen>  $screens
     * @return non-empty-list<Rung> for each screen, the rendition of such an upload that a player picks
     */
    private static function picked(Plan $upload, Recompression $recompression, array $screens): array
    {
        $arriving = self::arriving($upload);
        $renditions = $recompression->tierOf($arriving)->renditionsOf($arriving->frame);

        return array_map(fn (Screen $screen): Rung => $screen->pick($renditions), $screens);
    }

    /** The pieces as a whole is planned, out of a file that holds them. */
    private function made(
        Reel $reel,
        Cut $cut,
        string $name,
        Plan $whole,
        Material $of,
        float $near,
        Closure $shouldStop,
    ): Encoded {
        $spec = new OutputSpec($whole->spec->preset, $whole->spec->host, $whole->spec->edits);
        $plan = $this->planner->plan($this->subjects->of($of->reading, $cut->found()), $spec);
        if (! $plan->frameSize->showsAll()) {
            throw TestRefused::otherShape($name);
        }

        return $this->encoder->encode($reel, $of, $plan->atBitrate($whole->bitrate), $shouldStop, near: $near);
    }

    /** @return array{rung: Rung, rendition: Encoded, figures: array<mixed>} */
    private function passedOn(Reel $reel, Cut $cut, Encoded $upload, Rung $rung, Closure $shouldStop): array
    {
        $rendition = $this->rendition($reel, $cut, $upload, $rung, $shouldStop);

        return [
            'rung' => $rung,
            'rendition' => $rendition,
            'figures' => $this->likeness->of($reel, $rendition->material(), $shouldStop, $rendition->plan->keyframes->frames),
        ];
    }

    private function rendition(Reel $reel, Cut $cut, Encoded $upload, Rung $rung, Closure $shouldStop): Encoded
    {
        return $this->standIn->ofPieces($reel, $upload->material(), self::arriving($upload->plan), $rung, $shouldStop, $cut->found());
    }
}
