<?php

namespace App\Transit;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\Scratch;
use App\Media\SoundMeter;
use App\Media\StepStore;
use App\Models\Cut;
use Closure;
use OuterCrate\Analysis\Segment;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Commands\ListenCommand;
use OuterCrate\Encoding\Commands\SoundPartsCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Transit\AsRendition;
use OuterCrate\Transit\HeardParts;
use OuterCrate\Transit\SoundAfter;
use OuterCrate\Transit\SoundSpans;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** Sends the sound of a cut through an upload and a host, and listens to it before, between and after. */
class SentSound
{
    public function __construct(
        private readonly Runner $runner,
        private readonly CutReader $reader,
        private readonly SoundMeter $meter,
        private readonly Planner $planner,
        private readonly PassBuilder $passes,
        private readonly Subjects $subjects,
        private readonly StepStore $store,
        private readonly Capabilities $capabilities,
    ) {
    }

    /**
     * @param  Plan  $plan  of the upload, of the whole
     * @param  Encoded  $upload  the pieces of it
     * @param  Closure(): bool  $shouldStop
     * @return SoundAfter|null null where nothing sounds, or the host plays no sound
     */
    public function of(
        Cut $cut,
        Plan $plan,
        Encoded $upload,
        Recompression $recompression,
        Upload $arrived,
        Closure $shouldStop,
    ): ?SoundAfter {
        $reading = $cut->reading();
        if ($reading->mainAudio() === null || $plan->audio->codec === null || $recompression->audio === null) {
            return null;
        }
        $heard = $this->subjects->of($reading, $cut->found())->heard($plan->audio);
        $parts = $this->parts($cut, $reading, $plan, $heard->shortTerm ?? [], $shouldStop);

        $asked = $plan->audio->levelling;
        $plain = $asked === null ? $plan : $plan->levelled(new Levelling($asked->target, $asked->ceiling));
        $before = $this->level($parts, $this->passes->listening(self::ofAll($plain), $parts->reading), $shouldStop);
        if ($before?->integrated === null) {
            return null;
        }
        $all = new HeardParts($heard, $before);
        // A run sets the level by all of the sound, not by these parts.
        $sent = $this->coded($parts, $plan->levelledFor($all->ofAll($before)), $shouldStop);
        $between = $this->heardIn($sent, $shouldStop);
        if ($between?->integrated === null) {
            return null;
        }
        $rung = $recompression->tierOf($arrived)->renditionsOf($arrived->frame)[0];
        $rendition = $this->planner->plan(
            $this->subjects->of($upload->reading),
            AsRendition::of($rung, $arrived->frame, $arrived->hdr, $recompression->audio),
        )->levelledFor($all->ofAll($between));
        $after = $this->heardIn($this->coded($sent, $rendition, $shouldStop), $shouldStop);

        return $after === null ? null : SoundAfter::of($all, $between, $after, $rendition->audio->levelling);
    }

    /**
     * @param  list<float>  $shortTerm
     * @param  Closure(): bool  $shouldStop
     */
    private function parts(Cut $cut, Reading $reading, Plan $plan, array $shortTerm, Closure $shouldStop): Material
    {
        $second = Segment::framesPerSecond($reading->mainVideo()->frameRate ?? FrameRate::of(25));
        $spans = SoundSpans::of($plan->range, $second, $shortTerm);
        $key = StepStore::key('sound', $cut->fingerprint, ...array_map(fn ($span): string => "{$span->first}-{$span->last}", $spans));
        $path = $this->store->file($key, 'mka', function (string $partial) use ($reading, $cut, $spans, $shouldStop): void {
            $command = SoundPartsCommand::of($reading, $cut->path, $spans, $partial);
            $this->runner->encode($command, dirname($partial), shouldStop: $shouldStop);
        });

        return new Material($path, $key, $this->reading($path));
    }

    /** @param  Closure(): bool  $shouldStop */
    private function coded(Material $of, Plan $plan, Closure $shouldStop): Material
    {
        $pass = $this->passes->soundAlone(self::ofAll($plan), $of->reading);
        $key = $this->key($of, $pass);
        $path = $this->store->file($key, 'nut', function (string $partial) use ($of, $pass, $shouldStop): void {
            $this->runner->encode(EncodeCommand::of($pass, $of->path, $partial), dirname($partial), shouldStop: $shouldStop);
        });

        return new Material($path, $key, $this->reading($path));
    }

    /** Files of sound alone have no frames to count: all of them is taken. */
    private static function ofAll(Plan $plan): Plan
    {
        return $plan->ofRange(new FrameRange(0, 0), $plan->frames, $plan->duration);
    }

    private function reading(string $path): Reading
    {
        return $this->reader->readWhole($path, false, null, fn () => null)[0];
    }

    /** @param  Closure(): bool  $shouldStop */
    private function level(Material $of, Pass $pass, Closure $shouldStop): ?SoundLevel
    {
        return $this->measured($this->key($of, $pass), EncodeCommand::of($pass, $of->path, null), $shouldStop);
    }

    /** @param  Closure(): bool  $shouldStop */
    private function heardIn(Material $of, Closure $shouldStop): ?SoundLevel
    {
        $channels = $of->reading->mainAudio()->channels ?? throw new EngineFailed('No sound came of it.', 'Play the cut through.');

        return $this->measured(StepStore::key('heard', $of->key), ListenCommand::of($of->path, $channels), $shouldStop);
    }

    /** @param  Closure(): bool  $shouldStop */
    private function measured(string $key, Command $command, Closure $shouldStop): ?SoundLevel
    {
        $level = $this->store->figures($key, function () use ($command, $shouldStop): array {
            $scratch = Scratch::named('sound-'.bin2hex(random_bytes(4)));
            try {
                return $this->meter->of($command, $scratch, $shouldStop)?->toArray() ?? [];
            } finally {
                $scratch->remove();
            }
        });

        return $level === [] ? null : new SoundLevel($level['integrated'], (float) $level['range'], $level['truePeak']);
    }

    private function key(Material $of, Pass $pass): string
    {
        return StepStore::key('sound', $of->key, $this->capabilities->version(), json_encode([$pass->input, $pass->arguments]));
    }
}
