<?php

namespace App\Planning;

use App\Library\Hosts;
use App\Library\Presets;
use App\Models\Setting;
use App\Models\Speed;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\LineSpeed;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Planner;
use OuterCrate\Planning\Recap;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/** Plans outputs for a cut with what this machine knows: its presets, hosts, engine, free space and learnt speeds. */
class Planning
{
    private ?TimeEstimate $times = null;

    private ?LineSpeed $line = null;

    public function __construct(
        private readonly Planner $planner,
        private readonly Encoders $encoders,
        private readonly Presets $presets,
        private readonly Hosts $hosts,
    ) {
    }

    /**
     * @param  array{preset: string, host?: ?string, edits?: array<string, mixed>, range?: ?array{first: int, last: int}}  $output
     * @param  FrameRange|null  $range  of the cut; an output may have its own
     *
     * @throws UnknownName
     */
    public function spec(array $output, ?FrameRange $range = null): OutputSpec
    {
        $preset = $this->presets->find($output['preset']) ?? throw new UnknownName('preset', $output['preset'], array_keys($this->presets->all()));
        $slug = $output['host'] ?? null;
        $host = $slug === null ? null : $this->hosts->find($slug) ?? throw new UnknownName('host', $slug, array_keys($this->hosts->all()));
        // A null takes an edit back; what is left are rules.
        $edits = array_filter($output['edits'] ?? [], fn (mixed $rule): bool => $rule !== null);

        $own = isset($output['range']) ? new FrameRange($output['range']['first'], max($output['range']['first'], $output['range']['last'])) : null;

        return new OutputSpec($preset, $host, new Rules($edits), $own ?? $range, $own !== null);
    }

    /**
     * @param  list<array{preset: string, host?: ?string, edits?: array<string, mixed>, range?: ?array{first: int, last: int}}>  $outputs
     * @return list<Plan>
     *
     * @throws UnknownName
     */
    public function plans(Subject $subject, array $outputs, ?FrameRange $range = null): array
    {
        $plans = [];
        foreach ($outputs as $output) {
            $plans[] = $plan = $this->planner->plan($subject, $this->spec($output, $range));
            $subject = $subject->withPlanned($plan->file->path(), $plan->file->firstPath(), $plan->isStopped() ? 0 : SizeEstimate::of($plan, $subject->reading)->bytes);
        }

        return $plans;
    }

    /** @return array<string, mixed> a plan with its estimate (resources/schema/plan.json) */
    public function describe(Plan $plan, Reading $reading, bool $sampling = false): array
    {
        $size = SizeEstimate::of($plan, $reading);
        $making = $this->making($plan);
        $sending = $this->line()->toSend($size->bytes);

        return $plan->toArray() + ['estimate' => [
            'bytes' => $size->bytes,
            'bytesLabel' => (string) new ByteCount($size->bytes),
            'marginPercent' => $size->marginPercent,
            'basis' => $size->basis,
            'sampling' => $sampling,
            'seconds' => round($making, 1),
            'secondsLabel' => self::length($making),
            'sendSeconds' => $plan->spec->host === null ? null : round($sending, 1),
            'sendLabel' => $plan->spec->host === null ? null : self::length($sending),
        ]];
    }

    /**
     * @param  list<Plan>  $plans
     * @param  list<Severity>  $ofTheCut  of what was noticed of the cut itself
     */
    public function recap(array $plans, Reading $reading, array $ofTheCut = []): string
    {
        return Recap::of(array_map(fn (Plan $plan): array => [$plan, SizeEstimate::of($plan, $reading)->bytes, $this->making($plan)], $plans), $ofTheCut);
    }

    /**
     * What all of them come to together.
     *
     * @param  list<Plan>  $plans
     * @return array{bytes: int, bytesLabel: string, secondsLabel: string, sendLabel: ?string}
     */
    public function totals(array $plans, Reading $reading): array
    {
        $bytes = array_map(fn (Plan $plan): int => SizeEstimate::of($plan, $reading)->bytes, $plans);
        $sent = array_sum(array_map(fn (Plan $plan, int $size): int => $plan->spec->host === null ? 0 : $size, $plans, $bytes));

        return [
            'bytes' => array_sum($bytes),
            'bytesLabel' => (string) new ByteCount(array_sum($bytes)),
            'secondsLabel' => self::length(array_sum(array_map($this->making(...), $plans))),
            'sendLabel' => $sent === 0 ? null : self::length($this->line()->toSend($sent)),
        ];
    }

    private function line(): LineSpeed
    {
        return $this->line ??= Setting::lineSpeed();
    }

    private function making(Plan $plan): float
    {
        $this->times ??= new TimeEstimate($this->encoders, Speed::query()->pluck('pixels_per_second', 'key')->map(fn ($speed): int => (int) $speed)->all());

        return $this->times->making($plan);
    }

    private static function length(float $seconds): string
    {
        return (string) new Duration(new Fraction((int) ceil($seconds)));
    }
}
