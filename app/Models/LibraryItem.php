<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A preset or host of a person's own.
 *
 * @property int $id
 * @property string $kind `preset` or `host`
 * @property string $slug
 * @property int $version the current one
 * @property ?Carbon $removed_at
 */
class LibraryItem extends Model
{
    protected $guarded = [];

    protected $table = 'library_items';

    /** @var array<string, string> */
    protected $casts = ['version' => 'integer', 'removed_at' => 'datetime'];

    /** @return HasMany<LibraryVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(LibraryVersion::class, 'item_id');
    }
}
