<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\StepStore;
use Closure;
use OuterCrate\Encoding\Pass;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Formats\BitrateMode;
use OuterCrate\Json\Freezer;
use OuterCrate\Planning\Cells\Bitrate\BitrateValue;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Packet;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\FirstPass;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\WholeRate;
use OuterCrate\Units\Bitrate;

/** Encodes pieces so that they have the rate that the whole would have. */
class HeldEncoder
{
    public function __construct(
        private readonly PassBuilder $passes,
        private readonly Runner $runner,
        private readonly CutReader $reader,
        private readonly StepStore $store,
        private readonly Capabilities $capabilities,
    ) {
    }

    /**
     * @param  Closure(): bool  $shouldStop
     * @param  string|null  $alike  key under which it is kept what was right for the first of files that are alike: copies of the same
     *     pieces, encoded at the same rate; null for a file like no other
     */
    public function encode(Reel $reel, Material $of, Plan $plan, Closure $shouldStop, ?string $alike = null): Encoded
    {
        $tries = new Tries($this->runner, $of->path, $shouldStop);
        try {
            return $this->held($tries, $reel, $of, $plan, $alike);
        } finally {
            $tries->end();
        }
    }

    private function held(Tries $tries, Reel $reel, Material $of, Plan $plan, ?string $alike): Encoded
    {
        $rate = $plan->bitrate;
        if ($rate->mode !== BitrateMode::Vbr || $rate->average === null) {
            return $this->once($tries, $reel, $of, $plan, $rate->average?->bitsPerSecond);
        }
        $wanted = (float) $rate->average->bitsPerSecond;
        $passes = $plan->video->codec->hasTwoPasses() && $plan->video->hardware === null ? 2 : 1;
        $at = function (float $asked, float $raised = 1.0) use ($rate, $passes): BitrateValue {
            $peak = $rate->peak === null ? null : $raised * $rate->peak->bitsPerSecond;

            return new BitrateValue(
                BitrateMode::Vbr,
                $passes,
                new Bitrate((int) round($asked)),
                // No average lies above its peak: pieces that are that busy are given it as theirs.
                $peak === null ? null : new Bitrate((int) round(max($peak, $asked))),
                buffer: $rate->buffer === null ? null : (int) round($raised * $rate->buffer),
            );
        };
        $first = $this->planned($reel, $of, $plan->atBitrate($at($wanted)));
        // One first pass serves all tries, also where the last of them is known already.
        $reel->pieces === [] ?: $tries->gathering($first);
        $kept = StepStore::key('held', $this->keyOf($of, $first), ...$this->weights($reel));
        $made = [];
        $find = function () use ($tries, $reel, $of, $plan, $first, $at, $wanted, $alike, &$made): array {
            [$begun, $raised] = $reel->pieces === []
                ? [$wanted, 1.0]
                : $this->begin($tries, $reel, $of, $plan->atBitrate($at($wanted)), $first, $wanted);
            $known = $alike === null ? null : $this->store->known("{$alike}.json");
            $asked = HoldRate::within($wanted, $begun * (float) ($known['times'] ?? 1));
            $tried = [];
            do {
                $encoded = $this->once($tries, $reel, $of, $plan->atBitrate($at($asked, $raised)), $wanted);
                $tried[] = [$asked, max(1.0, $encoded->bitsPerSecond)];
                $made[(string) $asked] = $encoded;
                $asked = HoldRate::next($wanted, $tried);
            } while ($asked !== null);
            [$asked, $came] = $tried[HoldRate::nearest($wanted, $tried)];
            $alike === null ?: $this->store->figures($alike, fn (): array => ['times' => $asked * $wanted / $came / $begun]);

            return ['asked' => $asked, 'raised' => $raised];
        };
        // Found once: whoever comes back to it, or sends it in other company, gets the same.
        ['asked' => $asked, 'raised' => $raised] = $this->store->figures($kept, $find);

        return $made[(string) $asked] ?? $this->once($tries, $reel, $of, $plan->atBitrate($at((float) $asked, (float) $raised)), $wanted);
    }

    /**
     * The average to begin with, and how much a peak is raised for the pieces: what the first pass says that the second will share out.
     *
     * @param  non-empty-list<Pass>  $passes  at the average that is wanted
     * @return array{float, float}
     */
    private function begin(Tries $tries, Reel $reel, Material $of, Plan $plan, array $passes, float $wanted): array
    {
        $guess = HoldRate::first($wanted, $reel->pieces ?: throw TestRefused::older());
        $gathering = $tries->gathering($passes);
        if ($gathering === null) {
            return [$guess, 1.0];
        }
        $key = StepStore::key('first', $this->keyOf($of, [$gathering]), $wanted, ...$this->weights($reel));
        $find = function () use ($tries, $gathering, $reel, $plan, $wanted, $guess): array {
            $rate = $plan->bitrate;
            $asked = FirstPass::of($tries->gather($gathering))?->ask(
                $wanted,
                $reel->pieces,
                $plan->keyframes->frames,
                $plan->frameRate->rate->perSecond->toFloat(),
                $rate->peak?->bitsPerSecond,
                $rate->buffer,
            );

            return ['asked' => HoldRate::within($wanted, $asked['average'] ?? $guess), 'raised' => $asked['raised'] ?? 1.0];
        };

        $begun = $this->store->figures($key, $find);

        return [(float) $begun['asked'], (float) $begun['raised']];
    }

    /** @return non-empty-list<Pass> */
    private function planned(Reel $reel, Material $of, Plan $plan): array
    {
        return array_map(
            fn (Pass $pass): Pass => $this->inPieces($pass, $reel),
            $this->passes->passes($plan, $of->reading, witnessed: false),
        );
    }

    /** @param  non-empty-list<Pass>  $passes */
    private function keyOf(Material $of, array $passes): string
    {
        return StepStore::key('encoded', $of->key, $this->capabilities->version(), json_encode(array_map(
            fn (Pass $pass): array => [$pass->input, $pass->arguments, $pass->boxes, $pass->elements],
            $passes,
        )));
    }

    private function once(Tries $tries, Reel $reel, Material $of, Plan $plan, ?float $wanted): Encoded
    {
        $passes = $tries->passes($this->planned($reel, $of, $plan));
        $own = $this->keyOf($of, $passes);
        $ending = $plan->container->container->extension();
        $file = $this->store->file($own, $ending, fn (string $partial) => $tries->make($passes, $partial));
        // What the file says and what it comes to is found in one reading of it, and kept as the file is.
        $read = StepStore::key('read', $own, ...$this->weights($reel));
        $kept = $this->store->figures($read, fn (): array => $this->read($file, $reel, $plan));
        $made = Freezer::thaw($kept['reading']);
        $made instanceof Reading ?: throw TestRefused::older();

        return new Encoded($file, $own, $made, $plan, (float) $kept['rate'], $wanted);
    }

    /** With a keyframe where each piece begins. */
    private function inPieces(Pass $pass, Reel $reel): Pass
    {
        $times = array_map(fn (float $seconds): string => sprintf('%.6F', $seconds), $reel->times());

        return new Pass(
            input: $pass->input,
            arguments: [...$pass->arguments, '-force_key_frames', implode(',', $times)],
            writes: $pass->writes,
            weight: $pass->weight,
            boxes: $pass->boxes,
            images: $pass->images,
            elements: $pass->elements,
        );
    }

    /**
     * A file of pieces, and bits per second of the picture of the whole: each piece for what it stands for, keyframes as often as they
     * would be there.
     *
     * @return array{reading: mixed, rate: float}
     */
    private function read(string $file, Reel $reel, Plan $plan): array
    {
        $starts = $reel->times();
        // Half a frame earlier, since times are rounded.
        $slack = 0.5 / $plan->frameRate->rate->perSecond->toFloat();
        $packets = [];
        [$reading] = $this->reader->readWhole($file, true, null, function (Packet $packet) use (&$packets): void {
            $packets[$packet->stream][] = $packet;
        });
        $placed = function (array $packets) use ($starts, $slack): iterable {
            foreach ($packets as $packet) {
                $piece = 0;
                foreach ($starts as $i => $start) {
                    $piece = ($packet->shown ?? 0.0) >= $start - $slack ? $i : $piece;
                }
                yield [$piece, $packet->bytes, $packet->keyframe];
            }
        };
        $whole = new WholeRate($reel->pieces, $plan->keyframes->frames, $plan->frameRate->rate->perSecond->toFloat());

        return [
            'reading' => Freezer::freeze($reading),
            'rate' => $whole->of($placed($packets[$reading->mainVideo()->index ?? 0] ?? [])),
        ];
    }

    /** @return list<string> */
    private function weights(Reel $reel): array
    {
        return array_map(fn ($piece): string => sprintf('%.6F', $piece->share * $piece->weight), $reel->pieces);
    }
}
