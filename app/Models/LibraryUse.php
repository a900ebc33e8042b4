<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * How often a preset or host was used, and when last.
 *
 * @property string $kind
 * @property string $slug
 * @property int $uses
 * @property Carbon $updated_at
 */
class LibraryUse extends Model
{
    protected $guarded = [];

    protected $table = 'library_uses';

    /** @var array<string, string> */
    protected $casts = ['uses' => 'integer'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @param  list<string>  $slugs */
    public static function count(string $kind, array $slugs): void
    {
        foreach (array_count_values($slugs) as $slug => $times) {
            self::query()->createOrFirst(['kind' => $kind, 'slug' => $slug], ['uses' => 0])->increment('uses', $times);
        }
    }
}
