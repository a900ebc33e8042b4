<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Formats\Picture\BitrateMode;
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
     * @param  list<float>  $lifts  gammas that the middle tones are lifted by; 1 leaves them alone, empty for the column's own
     */
    public function __construct(
        public array $times = [1.0],
        public array $steps = [0],
        public array $passes = [],
        public array $codecs = [],
        public array $keyframes = [],
        public array $depths = [],
        public array $lifts = [],
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
        $own = $plan->spec->edits->rules;
        $candidates = [['words' => [], 'edits' => []]];
        foreach ($this->axes($plan, $average) as $axis) {
            $next = [];
            foreach ($candidates as ['words' => $words, 'edits' => $edits]) {
                foreach ($axis as [$word, $cell, $rule]) {
                    $next[] = [
                        'words' => [...$words, $word],
                        'edits' => $rule === [] ? $edits : [$cell => [...$edits[$cell] ?? [], ...$rule]] + $edits,
                    ];
                }
            }
            $candidates = $next;
        }

        return array_map(static fn (array $candidate): array => [
            'name' => implode(', ', array_filter($candidate['words'], static fn (string $word): bool => $word !== '')),
            'edits' => $candidate['edits'] + $own,
        ], $candidates);
    }

    /**
     * What is varied: for each choice its word, the cell, and its rule, laid over that of the column; of another codec the column's
     * profile and level say nothing.
     *
     * @return list<list<array{string, string, array<string, mixed>}>>
     */
    private function axes(Plan $plan, Bitrate $average): array
    {
        $own = $plan->spec->edits;
        $peak = $plan->bitrate->peak;
        $over = $peak === null ? [] : ['peak' => ['timesAverage' => round($peak->bitsPerSecond / $average->bitsPerSecond, 3)]];
        $mode = $plan->bitrate->mode->value;
        $rate = static function (float $times) use ($average, $mode, $over, $plan, $own): array {
            $rate = new Bitrate((int) round($average->bitsPerSecond * $times, -3));
            $rule = ['mode' => $mode, 'passes' => $plan->bitrate->passes, 'average' => ['kbps' => $rate->bitsPerSecond / 1000]];

            return [(string) $rate, 'bitrate', $own->laidOver('bitrate', $rule + $over)];
        };

        return array_values(array_filter([
            array_map($rate, $this->times),
            array_map(static fn (int $step): array => [
                self::SIZES[$step] ?? '', 'frameSize', $step === 0 ? [] : $own->laidOver('frameSize', ['step' => $step]),
            ], $this->steps),
            array_map(static fn (int $passes): array => [
                $passes === 2 ? '2 passes' : '1 pass', 'bitrate', ['passes' => $passes],
            ], $this->passes),
            array_map(static fn (string $codec): array => [strtoupper($codec), 'video', ['codec' => $codec]], $this->codecs),
            array_map(static fn (float $seconds): array => [
                "keyframes {$seconds} s", 'keyframes', $own->laidOver('keyframes', ['seconds' => $seconds]),
            ], $this->keyframes),
            array_map(static fn (int $depth): array => [
                "{$depth}-bit", 'colour', $own->laidOver('colour', ['bitDepth' => $depth]),
            ], $this->depths),
            array_map(static fn (float $gamma): array => [
                $gamma === 1.0 ? '' : "lift {$gamma}", 'colour', $gamma === 1.0 ? [] : $own->laidOver('colour', ['gamma' => $gamma]),
            ], $this->lifts),
        ]));
    }
}
