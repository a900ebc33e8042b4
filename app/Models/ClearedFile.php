<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A made file that was cleared away, and can be put back.
 *
 * @property int $id
 * @property int $run_id
 * @property string $path where it lay
 * @property string $cleared where it lies now
 * @property int $bytes
 * @property Run $run
 */
class ClearedFile extends Model
{
    protected $guarded = [];

    protected $table = 'cleared_files';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['path' => Volumes::class, 'cleared' => Volumes::class, 'bytes' => 'integer'];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }
}
