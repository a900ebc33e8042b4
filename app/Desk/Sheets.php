<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\SheetVersion;
use Closure;
use Illuminate\Support\Facades\DB;
use OuterCrate\Desk\SheetMerge;
use OuterCrate\Planning\Cells\Cells;

/** Saves sheets. A save names the version that it began from; one that began from an older one is merged with what came between. */
class Sheets
{
    /** Versions that are kept of a sheet: more than a person can make while another window stands open unnoticed. */
    private const KEPT = 200;

    public function __construct(private readonly Cells $cells)
    {
    }

    /**
     * @template T
     *
     * @param  array{range: ?array{first: int, last: int}, outputs: list<array<string, mixed>>}  $sheet
     * @param  int|null  $began  version that it began from; the current one when null
     * @param  Closure(Cut, list<string>): T  $answer  made of the sheet before it is saved; where that fails, nothing is saved
     * @return T
     */
    public function save(Cut $cut, array $sheet, ?int $began, Closure $answer): mixed
    {
        return DB::transaction(function () use ($cut, $sheet, $began, $answer): mixed {
            // The first write of the transaction: whoever comes second waits here, and sees what the first one left.
            Cut::query()->whereKey($cut->id)->update(['updated_at' => now()]);
            $cut->refresh();
            $current = ['range' => $cut->range, 'outputs' => $cut->outputs];
            $merge = new SheetMerge($this->cells);
            if ($began !== null && $began < $cut->sheet_version) {
                $base = SheetVersion::query()->firstWhere(['cut_id' => $cut->id, 'version' => $began]);
                $sheet = $merge->merge($base === null ? $sheet : ['range' => $base->range, 'outputs' => $base->outputs], $current, $sheet);
            }
            $changed = $sheet != $current;
            if ($changed) {
                $this->keep($cut, $current);
            }
            $cut->fill($sheet + ['sheet_version' => $cut->sheet_version + ($changed ? 1 : 0)]);
            $answered = $answer($cut, $merge->told);
            $cut->save();

            return $answered;
        });
    }

    /** @param  array{range: ?array{first: int, last: int}, outputs: list<array<string, mixed>>}  $sheet */
    private function keep(Cut $cut, array $sheet): void
    {
        SheetVersion::query()->updateOrCreate(['cut_id' => $cut->id, 'version' => $cut->sheet_version], $sheet);
        SheetVersion::query()->where('cut_id', $cut->id)->where('version', '<=', $cut->sheet_version - self::KEPT)->delete();
    }
}
