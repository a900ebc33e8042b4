<?php

namespace App\History;

use App\Database\LikeWords;
use App\Models\Delivery;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Facades\DB;

/** All files made so far, newest first, in pages. */
final class Deliveries
{
    public const PAGE = 50;

    /**
     * @param  int|null  $before  id of the last delivery on the previous page
     * @return Collection<int, Delivery>
     */
    public function page(DeliveryFilter $filter, ?int $before = null): Collection
    {
        $query = Delivery::query()->orderByDesc('made_at')->orderByDesc('id')->limit(self::PAGE);
        foreach (LikeWords::of($filter->text) as $like) {
            $query->whereRaw('search like ? '.LikeWords::ESCAPE, [$like]);
        }
        if ($before !== null) {
            $last = DB::table('deliveries')->where('id', $before)->value('made_at');
            $query->whereRaw('(made_at, id) < (?, ?)', [$last, $before]);
        }
        $filter->cut === null ?: $query->where('cut_id', $filter->cut);
        $filter->preset === null ?: $query->where('preset', $filter->preset);
        $filter->host === null ?: $query->when(
            $filter->host === '',
            fn (Builder $without): Builder => $without->whereNull('host'),
            fn (Builder $with): Builder => $with->where('host', $filter->host),
        );
        $filter->from === null ?: $query->where('made_at', '>=', $filter->from->format('Y-m-d H:i:s.v'));
        $filter->until === null ?: $query->where('made_at', '<', $filter->until->format('Y-m-d H:i:s.v'));

        // Find the ids first: an index covers the searched text.
        return Delivery::query()->whereKey($query->pluck('id')->all())->orderByDesc('made_at')->orderByDesc('id')
            ->with(['run' => fn (Relation $run) => $run->select(['id', 'file', 'gone_at'])->without('work')])
            ->get();
    }

    /**
     * Presets or hosts that files were made with, under their most recent names.
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
