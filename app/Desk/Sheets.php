<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\SheetVersion;
use Closure;
use Illuminate\Support\Facades\DB;
use OuterCrate\Desk\SheetMerge;
use OuterCrate\Planning\Sheet\Cells;

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
        do {
            $cut->refresh();
            $current = ['range' => $cut->range, 'outputs' => $cut->outputs];
            $version = $cut->sheet_version;
            [$merged, $told] = $this->merged($cut, $current, $sheet, $began);
            $cut->fill($merged + ['sheet_version' => $version + ($merged != $current ? 1 : 0)]);
            // Planned before anything is written: others wait while the database is locked.
            $answered = $answer($cut, $told);
        } while ($merged != $current && ! $this->write($cut, $current, $version));

        return $answered;
    }

    /**
     * @param  array{range: ?array{first: int, last: int}, outputs: list<array<string, mixed>>}  $current
     * @param  array{range: ?array{first: int, last: int}, outputs: list<array<string, mixed>>}  $sheet
     * @return array{array<string, mixed>, list<string>} the sheet to save, and what another window changed, too
     */
    private function merged(Cut $cut, array $current, array $sheet, ?int $began): array
    {
        if ($began === null || $began >= $cut->sheet_version) {
            return [$sheet, []];
        }
        $base = SheetVersion::query()->firstWhere(['cut_id' => $cut->id, 'version' => $began]);
        $merge = new SheetMerge($this->cells);
        $merged = $merge->merge($base === null ? $sheet : ['range' => $base->range, 'outputs' => $base->outputs], $current, $sheet);

        return [$merged, $merge->told];
    }

    /**
     * @param  array{range: ?array{first: int, last: int}, outputs: list<array<string, mixed>>}  $before
     * @return bool false where another save came between: nothing was written
     */
    private function write(Cut $cut, array $before, int $version): bool
    {
        return DB::transaction(function () use ($cut, $before, $version): bool {
            $named = Cut::query()->whereKey($cut->id)->where('sheet_version', $version);
            if ($named->update(['sheet_version' => $version + 1]) === 0) {
                return false;
            }
            SheetVersion::query()->updateOrCreate(['cut_id' => $cut->id, 'version' => $version], $before);
            SheetVersion::query()->where('cut_id', $cut->id)->where('version', '<=', $version - self::KEPT)->delete();
            $cut->save();

            return true;
        });
    }
}
