<?php

namespace App\Shelf;

use App\Database\LikeWords;
use App\Models\Cut;
use Illuminate\Contracts\Pagination\CursorPaginator;
use Illuminate\Database\Eloquent\Builder;

/** The cuts on the shelf, in pages. */
final class ShelfList
{
    public const PAGE = 60;

    private const COLUMNS = ['id', 'name', 'path', 'bytes', 'modified', 'card'];

    /**
     * @param  string  $text  words that name, file or video codec contain
     * @param  ShelfOrder|null  $order  null for the latest first
     * @param  string|null  $cursor  of the page before
     * @return CursorPaginator<int, Cut>
     */
    public function page(string $text, ?ShelfOrder $order, bool $isDescending, ?string $cursor): CursorPaginator
    {
        $query = self::found($text)->select([...self::COLUMNS, ...$order === null ? [] : [$order->column()]]);
        $order === null
            ? $query->orderByDesc('id')
            : $query->orderBy($order->column(), $isDescending ? 'desc' : 'asc')->orderBy('id', $isDescending ? 'desc' : 'asc');

        return $query->cursorPaginate(self::PAGE, cursor: $cursor);
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
