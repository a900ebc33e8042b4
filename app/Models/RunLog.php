<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A line of the log of a run.
 *
 * @property int $id
 * @property int $run_id
 * @property string $at when it was written
 * @property string $kind what it tells of: begun, command, warning, result, ended
 * @property string $text
 * @property ?float $seconds that it took
 */
class RunLog extends Model
{
    public const UPDATED_AT = null;

    public const CREATED_AT = null;

    protected $guarded = [];

    protected $table = 'run_logs';

    /** @var array<string, string> */
    protected $casts = ['seconds' => 'float'];
}
