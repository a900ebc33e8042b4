<?php

namespace App\Desk;

use App\Models\Cut;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\RuleWords;
use OuterCrate\Presets\Rules;

/** The rules that a column of a sheet comes to, for a preset: as they are, or with what this cut decided said outright. */
class ColumnRules
{
    public function __construct(
        private readonly CutDesk $desk,
        private readonly Cells $cells,
        private readonly RuleWords $words,
    ) {
    }

    /** @throws NoColumn when the sheet has no such column */
    public function plan(Cut $cut, string $key): Plan
    {
        $at = array_search($key, array_column($cut->outputs, 'key'), true);
        $at !== false ?: throw new NoColumn($cut->name);

        return $this->desk->sheet($cut, $cut->reading())[$at]->plan;
    }

    /**
     * Cell by cell what a preset of the column would say.
     *
     * @return list<array{cell: string, label: string, was: string, rule: string, changed: bool, fixed: ?string, value: string}>
     */
    public function preview(Plan $plan): array
    {
        $before = $plan->spec->preset->rules;
        $rows = [];
        foreach ($this->cells->all() as $name => $cell) {
            $rule = $plan->rules->rules[$name] ?? null;
            $fixed = $plan->hasVideo() || ! $cell->isOfPicture() ? $cell->fixed($plan) : null;
            $said = fn (mixed $rule): string => $this->words->of($cell, $rule) ?: 'what is usual';
            $rows[] = [
                'cell' => $name,
                'label' => $cell->label(),
                'was' => $said($before->rules[$name] ?? null),
                'rule' => $said($rule),
                'changed' => ($before->rules[$name] ?? null) != $rule,
                'fixed' => $fixed === null || $fixed == $rule ? null : $said($fixed),
                'value' => $plan->shown()[$name]->toArray()['label'],
            ];
        }

        return $rows;
    }

    /** @param  list<string>  $fixed  cells whose value of this cut is said outright */
    public function rules(Plan $plan, array $fixed): Rules
    {
        $rules = $plan->rules->rules;
        foreach ($fixed as $name) {
            $rule = ($this->cells->all()[$name] ?? null)?->fixed($plan);
            if ($rule !== null) {
                $rules[$name] = $rule;
            }
        }

        return new Rules($rules);
    }
}
