<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;

/**
 * The making of one output from a stored plan. How far it is says its work.
 *
 * @property int $id
 * @property string $pack the runs that were started together
 * @property ?int $cut_id
 * @property string $cut_name
 * @property string $source the cut's file
 * @property string $name
 * @property string $file where it is to lie, or lies
 * @property array<string, mixed> $plan as it was shown (resources/schema/plan.json)
 * @property ?array<mixed> $document the plan with its inputs (PlanDocument), from which the engine's arguments are built
 * @property ?array<string, mixed> $slip
 * @property array{role: string, preset: string, frames: int, isFolder: bool, bytesLabel: ?string, differences: ?int} $card
 * @property ?string $same alike for runs that make the same of the same
 * @property ?array{bytes: int, modified: int, fingerprint: string} $cut_state of the cut's file when this was packed
 * @property ?int $sent_seconds how long the file took to its host
 * @property ?Carbon $sent_at when that was said
 * @property ?Carbon $cleared_at when it was taken off the page of the queue
 * @property ?Carbon $gone_at when its file was deleted for good, or another run's file took its path
 * @property ?string $output key of its column on the sheet
 * @property bool $recalled it was sent back to its sheet, and waits for what is made of it
 * @property ?int $queue_end_id the end of the queue that told of it
 * @property Work $work
 * @property ?Cut $cut
 */
class Run extends Model
{
    /** The kind of work that makes it. */
    public const WORK = 'make';

    protected $guarded = [];

    protected $table = 'runs';

    /** @var list<string> */
    protected $with = ['work'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'plan' => 'array',
        'document' => 'array',
        'slip' => 'array',
        'card' => 'array',
        'cut_state' => 'array',
        'sent_at' => 'datetime',
        'cleared_at' => 'datetime',
        'gone_at' => 'datetime',
        'recalled' => 'boolean',
        'source' => Volumes::class,
        'file' => Volumes::class,
    ];

    /**
     * What strip and queue show of a run: neither plan nor slip is taken apart for it.
     *
     * @param  array<mixed>  $plan
     * @param  array<mixed>|null  $slip
     * @return array{role: string, preset: string, frames: int, isFolder: bool, bytesLabel: ?string, differences: ?int}
     */
    public static function cardOf(array $plan, ?array $slip): array
    {
        return [
            'role' => $plan['role'],
            'preset' => $plan['presetName'].(isset($plan['presetVersion']) ? ', version '.$plan['presetVersion'] : ''),
            'frames' => $plan['frames'],
            'isFolder' => ($plan['values']['container']['set'] ?? '') === 'folder',
            'bytesLabel' => $slip['bytesLabel'] ?? null,
            'differences' => $slip === null ? null : count($slip['differences']),
        ];
    }

    /** @return HasOne<Work, $this> */
    public function work(): HasOne
    {
        $work = $this->hasOne(Work::class, 'subject')->withDefault();
        $work->where('kind', self::WORK);

        return $work;
    }

    /** @return BelongsTo<Cut, $this> */
    public function cut(): BelongsTo
    {
        return $this->belongsTo(Cut::class);
    }

    /**
     * Those that wait or are being made.
     *
     * @return Builder<static>
     */
    public static function underWay(): Builder
    {
        return self::query()->whereHas('work', fn (Builder $work): Builder => $work->whereIn('state', WorkState::underWay()));
    }

    /**
     * Those that are done, failed or stopped.
     *
     * @return Builder<static>
     */
    public static function over(): Builder
    {
        return self::query()->whereHas('work', fn (Builder $work): Builder => $work->whereNotIn('state', WorkState::underWay()));
    }
}
