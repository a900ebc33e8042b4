<?php

namespace App\Transit;

use App\Models\Cut;
use App\Work\SideBySide;
use Closure;
use OuterCrate\Hosts\Host;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\FrameRange;

/** Sends candidates through a host's recompression, and measures what is left on a viewer's screen. */
class Tester
{
    public function __construct(
        private readonly ReelMaker $reels,
        private readonly Likeness $likeness,
        private readonly Sender $sender,
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
        $passage = new Passage($reel, $cut, $recompression, $screens);
        $order = self::heaviestFirst($candidates);
        $look = fn () => $this->sender->lookAt($reel, $shouldStop);
        $atOnce = SideBySide::atOnce(count($candidates));
        $ahead = [];
        if (count($candidates) > $atOnce && $atOnce > 1) {
            // The reel is looked at while the first uploads are encoded, for which nobody has to know how it looks, and what the host makes
            // of one of them, whose tries tell all others where to begin.
            $ahead = array_splice($order, 0, $atOnce);
        } else {
            // Looked at before it is copied, not once in each copy.
            count($candidates) > 1 && $look();
        }
        $each = fn (Closure $does, array $places): array => array_map(
            fn (int $i): Closure => fn (Closure $shouldStop, Closure $step): mixed => $does($passage, $candidates[$i], $step, $shouldStop),
            $places,
        );
        $jobs = [
            ...array_map(
                fn (int $i): Closure => fn (Closure $shouldStop) => $this->sender->makeAhead(
                    $passage, $candidates[$i], comesBack: $i === $ahead[0], shouldStop: $shouldStop,
                ),
                $ahead,
            ),
            ...$each($this->sender->send(...), $order),
            // What is left of those is little, and done piece by piece: no core is long without work at the end.
            ...$each($this->sender->back(...), array_reverse($ahead)),
            ...$each($this->sender->out(...), $ahead),
        ];
        SideBySide::run($jobs, $step, $shouldStop, $ahead === [] ? null : $look);
        $nothing = fn () => null;
        // Found in the store now; what went wrong there goes wrong here, and is said.
        $results = array_map(
            fn (Candidate $one): array => $this->sender->send($passage, $one, $done < $steps ? $step : $nothing, $shouldStop),
            $candidates,
        );

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

    /** @return array{file: string, likeness: string} by name in the store */
    private function file(Reel $reel, Encoded $encoded): array
    {
        $key = $this->likeness->key($reel, $encoded->key, $encoded->plan->keyframes->frames);

        return ['file' => basename($encoded->path), 'likeness' => "{$key}.json"];
    }
}
