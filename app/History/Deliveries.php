<?php

namespace App\History;

use App\Database\LikeWords;
use App\Models\Delivery;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Facades\DB;

/** The files that were made, the latest first, by page. */
final class Deliveries
{
    public const PAGE = 50;

    /**
     * @param  int|null  $before  id of the last one of the page before
     * @return Collection<int, Delivery>
     */
    public function page(Sought $sought, ?int $before = null): Collection
    {
        $query = Delivery::query()->orderByDesc('made_at')->orderByDesc('id')->limit(self::PAGE)
            ->with(['run' => fn (Relation $run) => $run->select(['id', 'file', 'gone_at'])->without('work')]);
        foreach (LikeWords::of($sought->text) as $like) {
            $query->whereRaw('search like ? '.LikeWords::ESCAPE, [$like]);
        }
        if ($before !== null) {
            $last = DB::table('deliveries')->where('id', $before)->value('made_at');
            $query->whereRaw('(made_at, id) < (?, ?)', [$last, $before]);
        }
        $sought->cut === null ?: $query->where('cut_id', $sought->cut);
        $sought->preset === null ?: $query->where('preset', $sought->preset);
        $sought->host === null ?: $query->when(
            $sought->host === '',
            fn (Builder $without): Builder => $without->whereNull('host'),
            fn (Builder $with): Builder => $with->where('host', $sought->host),
        );
        $sought->from === null ?: $query->where('made_at', '>=', $sought->from->format('Y-m-d H:i:s.v'));
        $sought->until === null ?: $query->where('made_at', '<', $sought->until->format('Y-m-d H:i:s.v'));

        return $query->get();
    }

    /**
     * What files were made with, as it was called last.
     *
     * @param  'preset'|'host'  $column
     * @return array<string, string> names by slug, in alphabetical order
     */
    public function names(string $column): array
    {
        $latest = DB::table('deliveries')->whereNotNull($column)->groupBy($column)->selectRaw('max(id) as id');
        $names = DB::table('deliveries')->whereIn('id', $latest)->pluck("{$column}_name", $column)->all();
        asort($names, SORT_NATURAL | SORT_FLAG_CASE);

        return $names;
    }
}
