<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A change, a sign-in or a failed sign-in in the activity log.
 *
 * @property int $id
 * @property Carbon $at when it was done last
 * @property string $who
 * @property string $what as in “Packed a cut”
 * @property string $subject the name of what it was done to; empty where there is none
 * @property ?string $address
 * @property int $times in a row
 */
class ActivityEntry extends Model
{
    protected $guarded = [];

    protected $table = 'activity_entries';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['at' => 'datetime', 'times' => 'integer'];
}
