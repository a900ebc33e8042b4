<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use OuterCrate\Analysis\Analysis;

/**
 * What was found in a cut. How far the looking is says its work.
 *
 * @property int $id
 * @property int $cut_id
 * @property int $version of the detectors
 * @property ?array<string, mixed> $result resources/schema/analysis.json
 * @property ?Cut $cut null once it was taken off the shelf
 * @property Work $work
 */
class CutAnalysis extends Model
{
    /** The kind of work that makes it. */
    public const WORK = 'analyse';

    protected $guarded = [];

    protected $table = 'analyses';

    /** @var list<string> */
    protected $with = ['work'];

    /** @var array<string, string> */
    protected $casts = ['result' => 'array'];

    /** @return BelongsTo<Cut, $this> */
    public function cut(): BelongsTo
    {
        return $this->belongsTo(Cut::class);
    }

    /** @return HasOne<Work, $this> */
    public function work(): HasOne
    {
        $work = $this->hasOne(Work::class, 'subject')->withDefault();
        $work->where('kind', self::WORK);

        return $work;
    }

    public function isCurrent(): bool
    {
        return $this->work->state === WorkState::Done && $this->version === Analysis::VERSION;
    }
}
