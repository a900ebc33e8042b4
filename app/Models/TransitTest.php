<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;

/**
 * Candidates that were sent through a host's recompression, and what was left of them.
 *
 * @property int $id
 * @property int $cut_id
 * @property string $host slug
 * @property array<string, mixed> $card what lists and pages show of it
 * @property array<mixed> $asked what is tested: documents of its host, its candidates (CandidateDocument) and its weights
 * @property array<string, mixed>|null $result resources/schema/transit.json; null while it is not done
 * @property array<string, mixed>|null $made files that it was made with, by name in the store
 * @property Cut $cut
 * @property Work $work
 * @property Carbon $created_at
 */
class TransitTest extends Model
{
    /** The kind of work that makes it. */
    public const WORK = 'transit';

    protected $guarded = [];

    protected $table = 'transit_tests';

    /** @var array<string, string> */
    protected $casts = ['card' => 'array', 'asked' => 'array', 'result' => 'array', 'made' => 'array'];

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
}
