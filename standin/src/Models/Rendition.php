<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $lines
 * @property string $codec in words
 * @property string $state waiting, making, ready or failed
 * @property ?string $file
 * @property ?int $bytes
 * @property Video $video
 */
class Rendition extends Model
{
    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['lines' => 'integer', 'bytes' => 'integer'];

    /** @return BelongsTo<Video, $this> */
    public function video(): BelongsTo
    {
        return $this->belongsTo(Video::class);
    }
}
