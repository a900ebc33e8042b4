<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What a preset or host was from one save to the next.
 *
 * @property int $item_id
 * @property int $version
 * @property string $note
 * @property string $file in the open format
 * @property Carbon $created_at
 */
class LibraryVersion extends Model
{
    protected $guarded = [];

    protected $table = 'library_versions';

    /** @var array<string, string> */
    protected $casts = ['version' => 'integer'];
}
