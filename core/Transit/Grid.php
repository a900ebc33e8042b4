<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Formats\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/** Candidates around one column: every combination of what is asked for, each as changes to its rules. */
final readonly class Grid
{
    private const SIZES = [-1 => 'one size down', 0 => '', 1 => 'one size up'];

    /**
     * @param  list<float>  $times  of the column's average
     * @param  list<int>  $steps  of the usual frame sizes: −1, 0 or 1
     * @param  list<int>  $passes  1 or 2
     * @param  list<string>  $codecs  ids; empty for the column's own
     * @param  list<float>  $keyframes  seconds from one to the next; empty for the column's own
     * @param  list<int>  $depths  bits; empty for the column's own
     */
    public function __construct(
        public array $times = [1.0],
        public array $steps = [0],
        public array $passes = [],
        public array $codecs = [],
        public array $keyframes = [],
        public array $depths = [],
    ) {
    }

    /**
     * @return list<array{name: string, edits: array<string, mixed>}> the column's edits with those of the candidate; none where no
     *     average leads the column
     */
    public function around(Plan $plan): array
    {
        $average = $plan->bitrate->average;
        if ($average === null || $plan->bitrate->mode === BitrateMode::Quality) {
            return [];
        }
        $candidates = [];
        foreach ($this->times as $times) {
            foreach ($this->steps as $step) {
                foreach ($this->passes ?: [$plan->bitrate->passes] as $passes) {
                    foreach ($this->codecs ?: [null] as $codec) {
                        foreach ($this->keyframes ?: [null] as $seconds) {
                            foreach ($this->depths ?: [null] as $depth) {
                                $rate = new Bitrate((int) round($average->bitsPerSecond * $times, -3));
                                $candidates[] = [
                                    'name' => implode(', ', array_filter([
                                        (string) $rate,
                                        self::SIZES[$step] ?? '',
                                        $this->passes === [] ? '' : ($passes === 2 ? '2 passes' : '1 pass'),
                                        $codec === null ? '' : strtoupper($codec),
                                        $seconds === null ? '' : "keyframes {$seconds} s",
                                        $depth === null ? '' : "{$depth}-bit",
                                    ])),
                                    'edits' => $this->edits($plan, $rate, $step, $passes, $codec, $seconds, $depth),
                                ];
                            }
                        }
                    }
                }
            }
        }

        return $candidates;
    }

    /** @return array<string, mixed> */
    private function edits(Plan $plan, Bitrate $rate, int $step, int $passes, ?string $codec, ?float $seconds, ?int $depth): array
    {
        $own = $plan->spec->edits->rules;
        $peak = $plan->bitrate->peak;
        $average = $plan->bitrate->average;
        $laid = static fn (string $cell, array $rule): array => [
            ...is_array($own[$cell] ?? null) ? $own[$cell] : [],
            ...$rule,
        ];
        $bitrate = [
            'mode' => $plan->bitrate->mode->value,
            'passes' => $passes,
            'average' => ['kbps' => $rate->bitsPerSecond / 1000],
        ];
        if ($peak !== null && $average !== null) {
            $bitrate['peak'] = ['timesAverage' => round($peak->bitsPerSecond / $average->bitsPerSecond, 3)];
        }
        $changes = [
            'bitrate' => $laid('bitrate', $bitrate),
            'frameSize' => $step === 0 ? null : $laid('frameSize', ['step' => $step]),
            'video' => $codec === null ? null : ['codec' => $codec],
            'keyframes' => $seconds === null ? null : $laid('keyframes', ['seconds' => $seconds]),
            'colour' => $depth === null ? null : $laid('colour', ['bitDepth' => $depth]),
        ];

        return array_filter($changes, static fn (?array $change): bool => $change !== null) + $own;
    }
}
