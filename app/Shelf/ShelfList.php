<?php

namespace App\Shelf;

use App\Database\LikeWords;
use App\Models\Cut;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** The cuts on the shelf, in pages. */
final class ShelfList
{
    public const PAGE = 60;

    private const COLUMNS = ['id', 'name', 'path', 'bytes', 'modified', 'card'];

    /**
     * @param  string  $text  each word must occur in the name, file name or video codec
     * @param  ShelfOrder|null  $order  null for newest first
     * @param  string|null  $cursor  of the page before
     * @return array{Collection<int, Cut>, string|null} and the cursor of the next page
     */
    public function page(string $text, ?ShelfOrder $order, bool $isDescending, ?string $cursor): array
    {
        // Find the ids in an index first: the rows are wide.
        $query = self::found($text)->select(['id', ...$order === null ? [] : [$order->column()]]);
        $order === null
            ? $query->orderByDesc('id')
            : $query->orderBy($order->column(), $isDescending ? 'desc' : 'asc')->orderBy('id', $isDescending ? 'desc' : 'asc');
        $page = $query->cursorPaginate(self::PAGE, cursor: $cursor);
        $ids = array_map(fn (Cut $cut): int => $cut->id, $page->items());
        $places = array_flip($ids);
        $cuts = Cut::query()->whereKey($ids)->get(self::COLUMNS)->sortBy(fn (Cut $cut): int => $places[$cut->id])->values();

        return [$cuts, $page->nextCursor()?->encode()];
    }

    public function count(string $text): int
    {
        return self::found($text)->count();
    }

    /** @return Builder<Cut> */
    private static function found(string $text): Builder
    {
        $query = Cut::query();
        foreach (LikeWords::of($text) as $like) {
            $query->whereRaw('search like ? '.LikeWords::ESCAPE, [$like]);
        }

        return $query;
    }
}
