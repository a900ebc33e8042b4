<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A process that takes work in hand, as it last said of itself.
 *
 * @property string $owner the name under which it has work in hand
 * @property string $host the machine it is on
 * @property list<string> $kinds of work that it takes
 * @property int $cores
 * @property ?string $engine version
 * @property ?string $misses a folder without which it takes nothing in hand
 * @property Carbon $seen_at
 * @property Carbon $created_at
 */
class PresentWorker extends Model
{
    protected $guarded = [];

    protected $table = 'workers';

    protected $primaryKey = 'owner';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['kinds' => 'array', 'seen_at' => 'datetime', 'cores' => 'integer'];
}
