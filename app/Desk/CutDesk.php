<?php

namespace App\Desk;

use App\Library\BrokenFile;
use App\Library\BrokenItem;
use App\Library\Hosts;
use App\Library\Presets;
use App\Library\UnknownName;
use App\Models\Cut;
use App\Models\Setting;
use App\Models\Speed;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Desk;
use OuterCrate\Desk\Pace;
use OuterCrate\Desk\Totals;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Pieces\Piece;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Role;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/** Plans outputs for a cut with what this machine knows: its presets, hosts, engine, free space and learnt speeds. */
class CutDesk
{
    private ?Pace $pace = null;

    public function __construct(
        private readonly Desk $desk,
        private readonly Encoders $encoders,
        private readonly Presets $presets,
        private readonly Hosts $hosts,
        private readonly Surroundings $surroundings,
        private readonly KnownSamples $samples,
        private readonly Bases $bases,
    ) {
    }

    /**
     * @param  list<array<string, mixed>>  $outputs  each `preset`, and perhaps `version`, `host`, `edits`, `range`, `kept`, `piece`
     * @param  FrameRange|null  $range  of the cut; an output may have its own
     * @param  string|null  $folder  for deliveries; the cut's own when null
     * @return list<Column>
     *
     * @throws UnknownName
     */
    public function columns(Cut $cut, Reading $reading, array $outputs, ?FrameRange $range = null, ?string $folder = null): array
    {
        return $this->planned($cut, $reading, $this->specs($outputs, $range), $folder);
    }

    /**
     * The columns of the cut's own sheet: one whose preset or host has gone stays, with a finding that stops it.
     *
     * @return list<Column>
     */
    public function sheet(Cut $cut, Reading $reading): array
    {
        $specs = $this->specs($cut->outputs, $cut->range($reading), kept: true);
        $changes = fn (OutputSpec $spec, array $output): OutputSpec => $this->bases->compared(
            $spec,
            $output,
            fn (OutputSpec $other): Column => $this->planned($cut, $reading, [$other])[0],
        );

        return $this->planned($cut, $reading, array_map($changes, $specs, $cut->outputs));
    }

    /**
     * Columns for each piece of a cut in turn, so that what is made of the same frames follows one another.
     *
     * @param  list<array<string, mixed>>  $outputs
     * @param  non-empty-list<Piece>  $pieces
     * @return list<Column>
     *
     * @throws UnknownName
     */
    public function inPieces(Cut $cut, Reading $reading, array $outputs, array $pieces, ?string $folder = null): array
    {
        $all = array_map(fn (Piece $piece): array => array_map(fn (array $output): array => [
            'range' => ['first' => $piece->frames->first, 'last' => $piece->frames->last], 'piece' => $piece,
        ] + $output, $outputs), $pieces);

        return $this->columns($cut, $reading, array_merge(...$all), null, $folder);
    }

    /**
     * The same for a file that need not be on the shelf.
     *
     * @param  list<array<string, mixed>>  $outputs
     * @return list<Column>
     *
     * @throws UnknownName
     */
    public function columnsOfFile(Subject $subject, array $outputs): array
    {
        return $this->desk->columns($subject, $this->specs($outputs, null), $this->pace());
    }

    /** A column once pieces of it were encoded. */
    public function sampled(Column $column, Subject $subject, Sample $sample): Column
    {
        return $this->desk->of($column->plan, $subject, $this->pace(), $sample);
    }

    /** @param  list<Column>  $columns */
    public function totals(array $columns): Totals
    {
        return new Totals($columns, $this->pace()->line);
    }

    /**
     * @param  list<array<string, mixed>>  $outputs
     * @return list<OutputSpec>
     *
     * @throws UnknownName
     */
    private function specs(array $outputs, ?FrameRange $range, bool $kept = false): array
    {
        return array_map(fn (array $output): OutputSpec => $this->spec($output, $range, $kept), $outputs);
    }

    /** @param  array<string, mixed>  $output */
    private function spec(array $output, ?FrameRange $range, bool $kept): OutputSpec
    {
        $fault = null;
        $preset = $this->bases->preset($output);
        try {
            $preset ??= $this->presets->need($output['preset']);
            $host = isset($output['host']) ? $this->hosts->need($output['host']) : null;
        } catch (UnknownName|BrokenFile|BrokenItem $e) {
            if (! $kept) {
                throw $e;
            }
            // What stands on a sheet stays there: it says what is wrong with it, and is planned as far as it goes.
            $preset ??= $this->presets->find($output['preset'])
                ?? new Preset($output['preset'], $output['preset'], Role::Master, null, '', new Rules([]));
            $host = isset($output['host']) ? $this->hosts->find($output['host']) : null;
            $fault = $e->getMessage();
        }
        // A null takes an edit back; what is left are rules.
        $edits = array_filter($output['edits'] ?? [], fn (mixed $rule): bool => $rule !== null);
        $own = isset($output['range'])
            ? new FrameRange($output['range']['first'], max($output['range']['first'], $output['range']['last']))
            : null;
        $instead = $fault === null ? null : array_key_first($this->presets->shipped());

        $piece = $output['piece'] ?? null;

        return new OutputSpec(
            preset: $preset,
            host: $host,
            edits: new Rules($edits),
            range: $own ?? $range,
            ownRange: $own !== null,
            fault: $fault,
            instead: $instead,
            piece: $piece instanceof Piece ? $piece : null,
        );
    }

    /**
     * @param  list<OutputSpec>  $specs
     * @return list<Column>
     */
    private function planned(Cut $cut, Reading $reading, array $specs, ?string $folder = null): array
    {
        $subject = $this->surroundings->of($cut, $reading, $folder);

        return $this->desk->columns($subject, $specs, $this->pace(), $this->samples->of($cut, $reading));
    }

    private function pace(): Pace
    {
        return $this->pace ??= new Pace(new TimeEstimate($this->encoders, Speed::known()), Setting::lineSpeed());
    }
}
