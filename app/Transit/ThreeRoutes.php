<?php

namespace App\Transit;

use App\Desk\CutDesk;
use App\Models\Cut;
use OuterCrate\Desk\Column;
use OuterCrate\Presets\Role;
use OuterCrate\Transit\Routes;

/** An output made quickly, carefully, and of a master that is made first. */
class ThreeRoutes
{
    /** Preset of the master where the sheet has none. */
    private const MASTER = 'archive-10-bit';

    public function __construct(private readonly CutDesk $desk)
    {
    }

    /**
     * @param  array<string, mixed>  $output  as on a sheet
     * @param  string|null  $master  its preset; the sheet's own master when null
     * @return array{list<Column>, list<string>, array<int, Column>} columns, their names, and masters by place of the column made of them
     */
    public function of(Cut $cut, array $output, ?string $master = null): array
    {
        $reading = $cut->reading();
        $range = $cut->range($reading);
        $own = $this->desk->columns($cut, $reading, [$output], $range)[0];
        $outputs = array_map(fn (Routes $route): array => ['edits' => $route->edits($own->plan)] + $output, Routes::cases());
        $first = $this->master($cut, $master);

        return [
            $this->desk->columns($cut, $reading, $outputs, $range),
            array_map(fn (Routes $route): string => $route->value, Routes::cases()),
            array_map(fn (): Column => $first, array_filter(Routes::cases(), fn (Routes $route): bool => $route->isViaMaster())),
        ];
    }

    private function master(Cut $cut, ?string $preset): Column
    {
        $reading = $cut->reading();
        foreach ($preset === null ? $this->desk->sheet($cut, $reading) : [] as $column) {
            if ($column->plan->spec->preset->role === Role::Master) {
                return $column;
            }
        }

        return $this->desk->columns($cut, $reading, [['preset' => $preset ?? self::MASTER]], $cut->range($reading))[0];
    }
}
