<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\StepStore;
use Closure;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\PieceArguments;
use OuterCrate\Encoding\Prepared;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Transit\Beginning;
use OuterCrate\Transit\FirstPass;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\WholeRate;
use OuterCrate\Units\Bitrate;

/** Encodes pieces so that they have the rate that the whole would have. */
class HeldEncoder
{
    /** Bits per second that stand for any. */
    private const ANY_RATE = 1_000_000;

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
     * @param  string|null  $alike  key of files that are alike, copies of the same pieces encoded at the same rate, under which it is kept
     *     what was right for them; null for a file like no other
     * @param  float  $near  how near to the rate that is wanted is near enough for a first try, as a share of it
     */
    public function encode(
        Reel $reel,
        Material $of,
        Plan $plan,
        Closure $shouldStop,
        ?string $alike = null,
        float $near = HoldRate::NEAR,
    ): Encoded {
        $tries = new Tries($this->runner, $of->path, Prepared::suits($plan, $of->reading), $shouldStop);
        try {
            return $this->held($tries, $reel->at($plan->bitrate), $of, $plan, $alike, $near);
        } finally {
            $tries->end();
        }
    }

    private function held(Tries $tries, Reel $reel, Material $of, Plan $plan, ?string $alike, float $near): Encoded
    {
        $rate = $plan->bitrate;
        if ($rate->mode !== BitrateMode::Vbr || $rate->average === null) {
            return $this->encoded($this->tried($tries, $reel, $of, $plan), $reel, $of, $plan, $rate->average?->bitsPerSecond);
        }
        $wanted = (float) $rate->average->bitsPerSecond;
        $passes = $plan->video->codec->hasTwoPasses() && $plan->video->hardware === null ? 2 : 1;
        $at = fn (float $asked, int $peak = 0): BitrateValue => new BitrateValue(
            BitrateMode::Vbr,
            $passes,
            new Bitrate((int) round($asked)),
            // No average lies above its peak: pieces that are that busy are given it as theirs.
            $rate->peak === null ? null : new Bitrate((int) round(max($rate->peak->bitsPerSecond, $asked, $peak))),
            buffer: $rate->buffer,
        );
        $laid = fn (Beginning $with): Reel => $with->peak === null ? $reel->finding($with->left) : $reel->byItself();
        $first = $this->planned($reel, $of, $plan->atBitrate($at($wanted)));
        // One first pass serves all tries, also where the last of them is known already.
        $reel->pieces === [] ?: $tries->gathering($first);
        $kept = StepStore::key('held', $this->keyOf($of, $first), $near, ...$this->weights($reel));
        $find = function () use ($tries, $reel, $of, $plan, $first, $at, $wanted, $rate, $alike, $near, $laid): array {
            $begun = $reel->pieces === []
                ? new Beginning($wanted)
                : $this->begin($tries, $reel, $of, $plan->atBitrate($at($wanted)), $first, $wanted);
            $before = new RightBefore($this->store, $alike);
            $times = $before->times();
            $asked = HoldRate::within($wanted, $begun->asked * ($times ?? 1));
            $enough = $times === null ? $near : max($near, HoldRate::AFTER_TWO);
            $wasBound = $before->wasBound();
            $tried = [];
            do {
                $try = $this->tried($tries, $laid($begun), $of, $plan->atBitrate($at($asked, $begun->peak ?? 0)));
                // Where an average lies above the peak, that is raised with it: more can be spent of more.
                $isFree = $rate->peak !== null && $asked > max($rate->peak->bitsPerSecond, $begun->peak ?? 0);
                $tried[] = [$asked, max(1.0, $try['rate']), $isFree ? $asked : $try['spent']];
                $asked = HoldRate::next($wanted, $tried, $enough, $wasBound);
            } while ($asked !== null);
            [$asked, $came] = $tried[HoldRate::nearest($wanted, $tried)];
            $before->add($asked * $wanted / $came / $begun->asked, HoldRate::isBound($tried));

            return ['asked' => $asked, 'peak' => $begun->peak, 'left' => $begun->left];
        };
        // Found once: whoever comes back to it, or sends it in other company, gets the same.
        ['asked' => $asked, 'peak' => $peak, 'left' => $left] = $this->store->figures($kept, $find);
        $found = $plan->atBitrate($at((float) $asked, (int) $peak));
        $try = $this->tried($tries, $laid(new Beginning((float) $asked, $peak, $left)), $of, $found);

        return $this->encoded($try, $reel, $of, $found, $wanted);
    }

    /**
     * What to begin with: what the first pass says that the second will share out.
     *
     * @param  non-empty-list<Pass>  $passes  at the average that is wanted
     */
    private function begin(Tries $tries, Reel $reel, Material $of, Plan $plan, array $passes, float $wanted): Beginning
    {
        $guess = HoldRate::first($wanted, $reel->pieces ?: throw TestRefused::nothing());
        $gathering = $tries->gathering($passes);
        if ($gathering === null) {
            return new Beginning($guess);
        }
        $key = StepStore::key('first', $this->keyOf($of, [$gathering]), $wanted, ...$this->weights($reel));
        $find = function () use ($tries, $gathering, $reel, $plan, $wanted, $guess): array {
            $perSecond = $plan->frameRate->rate->perSecond->toFloat();
            $begun = FirstPass::of($tries->gather($gathering))?->begin(
                $wanted,
                $reel->pieces,
                array_map(fn (float $seconds): int => (int) round($seconds * $perSecond), $reel->times()),
                $plan->keyframes->frames,
                $perSecond,
                $plan->bitrate->peak?->bitsPerSecond,
                $plan->bitrate->buffer,
                $reel->left,
            );

            return ['asked' => HoldRate::within($wanted, $begun->asked ?? $guess), 'peak' => $begun?->peak, 'left' => $begun?->left];
        };
        ['asked' => $asked, 'peak' => $peak, 'left' => $left] = $this->store->figures($key, $find);

        return new Beginning((float) $asked, $peak, $left);
    }

    /** @return non-empty-list<Pass> */
    private function planned(Reel $reel, Material $of, Plan $plan): array
    {
        $areParts = $reel->isOfParts($plan->keyframes->frames);

        return array_map(
            fn (Pass $pass): Pass => PieceArguments::of($pass, $reel->times(), $reel->left, $areParts),
            $this->passes->passes($plan, $of->reading, witnessed: false),
        );
    }

    /** @param  non-empty-list<Pass>  $passes */
    private function keyOf(Material $of, array $passes): string
    {
        return StepStore::key('encoded', $of->key, ...$this->madeBy($passes));
    }

    /**
     * @param  non-empty-list<Pass>  $passes
     * @return list<string> what decides what comes of a file, beside itself
     */
    private function madeBy(array $passes): array
    {
        return [$this->capabilities->version(), json_encode(array_map(
            fn (Pass $pass): array => [$pass->input, $pass->arguments, $pass->boxes, $pass->elements],
            $passes,
        ), JSON_THROW_ON_ERROR)];
    }

    /**
     * @return array{file: string, key: string, rate: float, spent: float} the file, its key, the bits per second of the picture of the
     *     whole, each piece for what it stands for, keyframes as often as they would be there, and those that the pieces themselves have
     */
    private function tried(Tries $tries, Reel $reel, Material $of, Plan $plan): array
    {
        $passes = $tries->passes($this->planned($reel, $of, $plan));
        $own = $this->keyOf($of, $passes);
        $ending = $plan->container->container->extension();
        $file = $this->store->file($own, $ending, fn (string $partial) => $tries->make($passes, $partial));
        $kept = StepStore::key('rate', $own, ...$this->weights($reel));
        $found = $this->store->figures($kept, fn (): array => $this->rates($file, $reel, $plan));

        return ['file' => $file, 'key' => $own, 'rate' => (float) $found['rate'], 'spent' => (float) $found['spent']];
    }

    /**
     * Read once of those that the same arguments make of the same frames at one rate or another: it takes as long as measuring a fifth of
     * the pieces.
     *
     * @param  array{file: string, key: string, rate: float, spent: float}  $try
     */
    private function encoded(array $try, Reel $reel, Material $of, Plan $plan, ?float $wanted): Encoded
    {
        ['file' => $file, 'key' => $own, 'rate' => $rate] = $try;
        $anyRate = $plan->bitrate->mode === BitrateMode::Vbr ? $plan->atBitrate(new BitrateValue(
            BitrateMode::Vbr,
            $plan->bitrate->passes,
            new Bitrate(self::ANY_RATE),
        )) : $plan;
        $kind = StepStore::key('reading', $reel->key, ...$this->madeBy($this->planned($reel->byItself(), $of, $anyRate)));
        $read = function () use ($file): array {
            ['probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($file);

            return ['probe' => $probe, 'bytes' => (int) filesize($file), 'fastStart' => $fastStart];
        };
        $made = (new ProbeReader)->stored(new Fields($this->store->figures($kind, $read)));

        return new Encoded($file, $own, $made, $plan, $rate, $wanted);
    }

    /** @return array{rate: float, spent: float} as tried() tells them */
    private function rates(string $file, Reel $reel, Plan $plan): array
    {
        $starts = $reel->times();
        $perSecond = $plan->frameRate->rate->perSecond->toFloat();
        // Half a frame earlier, since times are rounded.
        $slack = 0.5 / $perSecond;
        $packets = $this->reader->picture($file);
        $placed = function () use ($packets, $starts, $slack): iterable {
            foreach ($packets as $packet) {
                $piece = 0;
                foreach ($starts as $i => $start) {
                    $piece = ($packet->shown ?? 0.0) >= $start - $slack ? $i : $piece;
                }
                yield [$piece, $packet->bytes, $packet->keyframe];
            }
        };

        $bytes = array_sum(array_map(fn (Packet $packet): int => $packet->bytes, $packets));

        return [
            'rate' => (new WholeRate($reel->pieces, $plan->keyframes->frames, $perSecond))->of($placed()),
            'spent' => 8 * $bytes * $perSecond / max(1, count($packets)),
        ];
    }

    /** @return list<string> */
    private function weights(Reel $reel): array
    {
        return array_map(fn ($piece): string => sprintf('%.6F', $piece->share * $piece->weight), $reel->pieces);
    }
}
