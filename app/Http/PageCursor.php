<?php

namespace App\Http;

use Closure;
use UnexpectedValueException;

/** Cursors come back from clients, which may send one of another list or sort order. */
final class PageCursor
{
    /**
     * @template T
     *
     * @param  Closure(): T  $page  reads a page by its cursor
     * @return T
     *
     * @throws RequestRefused
     */
    public static function checked(Closure $page): mixed
    {
        try {
            return $page();
        } catch (UnexpectedValueException) {
            throw RequestRefused::notPossible('This cursor belongs to another list or sort order.', 'Load the first page again.');
        }
    }
}
