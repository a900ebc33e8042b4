<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use OuterCrate\Analysis\Analysis;

/**
 * The analysis of a cut: how far it is, and what it found.
 *
 * @property int $id
 * @property int $cut_id
 * @property RunState $state waiting, running, done or failed
 * @property int $version of the detectors
 * @property int $percent
 * @property ?int $seconds_left
 * @property ?string $error
 * @property ?array<string, mixed> $result resources/schema/analysis.json
 * @property ?string $wanted_at when its sheet was last opened
 * @property ?Cut $cut null once it was taken off the shelf
 */
class CutAnalysis extends Model
{
    protected $guarded = [];

    protected $table = 'analyses';

    protected $attributes = ['percent' => 0];

    /** @var array<string, string> */
    protected $casts = ['state' => RunState::class, 'result' => 'array'];

    /** @return BelongsTo<Cut, $this> */
    public function cut(): BelongsTo
    {
        return $this->belongsTo(Cut::class);
    }

    public function isCurrent(): bool
    {
        return $this->state === RunState::Done && $this->version === Analysis::VERSION;
    }
}
