<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use OuterCrate\Estimates\Sampling\Sample as Sampled;

/**
 * What a few pieces of a cut came to with the settings of an output.
 *
 * @property int $id
 * @property int $cut_id
 * @property string $key
 * @property array<mixed> $plan whose pieces are encoded (PlanDocument)
 * @property array{bytesPerFrame: float, marginPercent: int, secondsPerFrame: ?float, frames: int, soundBytesPerSecond?: ?float,
 *     ampleBytesPerFrame?: ?float, file?: ?int}|false|null $result null while it waits; false when it could not be made
 * @property Cut $cut
 */
class Sample extends Model
{
    /** The kind of work that makes it. */
    public const WORK = 'sample';

    protected $guarded = [];

    protected $table = 'samples';

    /** @var array<string, string> */
    protected $casts = ['plan' => 'array', 'result' => 'json'];

    /** @return BelongsTo<Cut, $this> */
    public function cut(): BelongsTo
    {
        return $this->belongsTo(Cut::class);
    }

    public function sampled(): ?Sampled
    {
        if (! is_array($this->result)) {
            return null;
        }
        $figure = fn (string $name): ?float => isset($this->result[$name]) ? (float) $this->result[$name] : null;

        return new Sampled(
            bytesPerFrame: (float) $this->result['bytesPerFrame'],
            marginPercent: (int) $this->result['marginPercent'],
            secondsPerFrame: $figure('secondsPerFrame'),
            frames: (int) $this->result['frames'],
            soundBytesPerSecond: $figure('soundBytesPerSecond'),
            ampleBytesPerFrame: $figure('ampleBytesPerFrame'),
            file: isset($this->result['file']) ? (int) $this->result['file'] : null,
        );
    }
}
