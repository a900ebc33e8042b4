<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use OuterCrate\Estimates\Sampling\Sample as Sampled;

/**
 * What a few pieces of a cut came to with the settings of an output.
 *
 * @property int $cut_id
 * @property string $key
 * @property array<string, mixed> $output as it is planned from, its range with it
 * @property array{bytesPerFrame: float, marginPercent: int, secondsPerFrame: ?float, frames: int, soundBytesPerSecond?: ?float}|false|null $result null while it waits; false when it could not be made
 * @property ?string $wanted_at
 * @property Cut $cut
 */
class Sample extends Model
{
    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['output' => 'array', 'result' => 'json'];

    /** @return BelongsTo<Cut, $this> */
    public function cut(): BelongsTo
    {
        return $this->belongsTo(Cut::class);
    }

    public function sampled(): ?Sampled
    {
        return is_array($this->result) ? new Sampled((float) $this->result['bytesPerFrame'], (int) $this->result['marginPercent'], isset($this->result['secondsPerFrame']) ? (float) $this->result['secondsPerFrame'] : null, (int) $this->result['frames'], isset($this->result['soundBytesPerSecond']) ? (float) $this->result['soundBytesPerSecond'] : null) : null;
    }
}
