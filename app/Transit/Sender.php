<?php

namespace App\Transit;

use Closure;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\SoundAfter;
use OuterCrate\Units\Bitrate;

/** Sends one candidate through a host, and measures the upload and what comes back for each screen. */
class Sender
{
    public function __construct(
        private readonly HeldEncoder $encoder,
        private readonly Likeness $likeness,
        private readonly StandIn $standIn,
        private readonly SentSound $sound,
        private readonly Planner $planner,
        private readonly Subjects $subjects,
    ) {
    }

    /**
     * @param  Closure(): void  $step  called when the upload is made, when it is measured, and for each screen
     * @param  Closure(): bool  $shouldStop
     * @return array<string, mixed>
     *
     * @throws TestRefused
     */
    public function send(Passage $passage, Candidate $candidate, Closure $step, Closure $shouldStop): array
    {
        ['upload' => $upload, 'own' => $own] = $this->out($passage, $candidate, $step, $shouldStop);
        ['after' => $after, 'sound' => $sound] = $this->back($passage, $candidate, $step, $shouldStop, $upload);

        return [
            'candidate' => $candidate->comingTo($upload->bitsPerSecond, $passage->reel->pieces, $passage->cut->reading()),
            'upload' => $upload,
            'own' => $own,
            'tier' => $passage->tierOf($upload->plan)->name,
            'after' => $after,
            'sound' => $sound,
        ];
    }

    /**
     * What goes to the host: the upload, and how it looks.
     *
     * @param  Closure(): void  $step  called when it is made, and when it is measured
     * @param  Closure(): bool  $shouldStop
     * @return array{upload: Encoded, own: array<mixed>}
     *
     * @throws TestRefused
     */
    public function out(Passage $passage, Candidate $candidate, Closure $step, Closure $shouldStop): array
    {
        $upload = $this->upload($passage, $candidate, $shouldStop);
        $step();
        $own = $this->likeness->of($passage->reel, $upload->material(), $shouldStop, $upload->plan->keyframes->frames);
        $step();

        return ['upload' => $upload, 'own' => $own];
    }

    /**
     * What comes back from the host for each screen, how that looks, and its sound.
     *
     * @param  Closure(): void  $step  called for each screen
     * @param  Closure(): bool  $shouldStop
     * @param  Encoded|null  $upload  null where it lies in the store
     * @return array{after: list<array{rung: Rung, rendition: Encoded, figures: array<mixed>}>, sound: SoundAfter|null}
     *
     * @throws TestRefused
     */
    public function back(Passage $passage, Candidate $candidate, Closure $step, Closure $shouldStop, ?Encoded $upload = null): array
    {
        $upload ??= $this->upload($passage, $candidate, $shouldStop);
        $byRung = $after = [];
        foreach ($passage->picked($upload->plan) as $rung) {
            $byRung[$rung->shorterSide] ??= $this->passedOn($passage, $upload, $rung, $shouldStop);
            $after[] = $byRung[$rung->shorterSide];
            $step();
        }
        $arrived = Passage::arriving($upload->plan);

        return [
            'after' => $after,
            'sound' => $this->sound->of($passage->cut, $candidate->plan, $upload, $passage->recompression, $arrived, $shouldStop),
        ];
    }

    /**
     * Looks at a reel once for all candidates that are sent after that.
     *
     * @param  Closure(): bool  $shouldStop
     */
    public function lookAt(Reel $reel, Closure $shouldStop): void
    {
        $this->likeness->prepare($reel, $shouldStop);
    }

    /**
     * What can be made of a candidate before anybody knows how the reel looks. It lies in the store when the candidate is sent.
     *
     * @param  bool  $comesBack  with what the host makes of it
     * @param  Closure(): bool  $shouldStop
     *
     * @throws TestRefused
     */
    public function makeAhead(Passage $passage, Candidate $candidate, bool $comesBack, Closure $shouldStop): void
    {
        $upload = $this->upload($passage, $candidate, $shouldStop);
        foreach ($comesBack ? $passage->picked($upload->plan) : [] as $rung) {
            $this->rendition($passage, $upload, $rung, $shouldStop);
        }
    }

    /** @param  Closure(): bool  $shouldStop */
    private function upload(Passage $passage, Candidate $candidate, Closure $shouldStop): Encoded
    {
        $near = HoldRate::nearOf($candidate->plan->bitrate->average, array_map(
            fn (Rung $rung): ?Bitrate => $rung->average,
            $passage->picked($candidate->plan),
        ));
        $make = function (Plan $whole, Material $of) use ($passage, $candidate, $near, $shouldStop): Encoded {
            $plan = $this->planned($passage, $candidate, $whole, $of);

            return $this->encoder->encode($passage->reel, $of, $plan, $shouldStop, near: $near);
        };
        $reel = $passage->reel->material();

        return $make($candidate->plan, $candidate->master === null ? $reel : $make($candidate->master, $reel)->material());
    }

    /** The pieces as a whole is planned, out of a file that holds them. */
    private function planned(Passage $passage, Candidate $candidate, Plan $whole, Material $of): Plan
    {
        $spec = new OutputSpec($whole->spec->preset, $whole->spec->host, $whole->spec->edits);
        $plan = $this->planner->plan($this->subjects->of($of->reading, $passage->cut->found()), $spec);
        if (! $plan->frameSize->showsAll()) {
            throw TestRefused::otherShape($candidate->name);
        }

        return $plan->atBitrate($whole->bitrate);
    }

    /**
     * @param  Closure(): bool  $shouldStop
     * @return array{rung: Rung, rendition: Encoded, figures: array<mixed>}
     */
    private function passedOn(Passage $passage, Encoded $upload, Rung $rung, Closure $shouldStop): array
    {
        $rendition = $this->rendition($passage, $upload, $rung, $shouldStop);
        $keyframes = $rendition->plan->keyframes->frames;

        return [
            'rung' => $rung,
            'rendition' => $rendition,
            'figures' => $this->likeness->of($passage->reel, $rendition->material(), $shouldStop, $keyframes),
        ];
    }

    /** @param  Closure(): bool  $shouldStop */
    private function rendition(Passage $passage, Encoded $upload, Rung $rung, Closure $shouldStop): Encoded
    {
        $arrived = Passage::arriving($upload->plan);

        return $this->standIn->ofPieces($passage->reel, $upload->material(), $arrived, $rung, $shouldStop, $passage->cut->found());
    }
}
