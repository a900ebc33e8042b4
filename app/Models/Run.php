<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The making of one output from a frozen plan.
 *
 * @property int $id
 * @property string $pack the runs that were started together
 * @property ?int $cut_id
 * @property string $cut_name
 * @property string $source
 * @property string $name
 * @property string $file
 * @property RunState $state
 * @property array<string, mixed> $plan
 * @property list<array{input?: list<string>, arguments: list<string>, writes: bool, weight: int, images?: ?string, boxes?: string}> $passes
 * @property int $frames done so far, over all passes
 * @property int $percent
 * @property ?float $speed
 * @property ?int $seconds_left
 * @property bool $stop_asked
 * @property ?string $error
 * @property ?array<string, mixed> $slip
 * @property ?Carbon $started_at
 * @property ?Carbon $ended_at
 * @property ?int $sent_seconds how long the file took to its host
 * @property ?Carbon $sent_at when that was said
 */
class Run extends Model
{
    protected $guarded = [];

    protected $attributes = ['frames' => 0, 'percent' => 0, 'stop_asked' => false];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'state' => RunState::class, 'plan' => 'array', 'passes' => 'array', 'slip' => 'array', 'stop_asked' => 'boolean',
        'speed' => 'float', 'started_at' => 'datetime', 'ended_at' => 'datetime', 'sent_at' => 'datetime',
    ];
}
