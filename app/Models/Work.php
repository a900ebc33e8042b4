<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Something that takes time and is done in the background: making a file, looking at a cut, encoding pieces for an estimate.
 *
 * @property int $id
 * @property string $kind
 * @property int $subject what it is done for, of the kind's own
 * @property WorkState $state
 * @property int $priority the higher comes first
 * @property ?string $owner the process that has it in hand
 * @property ?string $lease_until when it is taken for abandoned, unless its owner says otherwise before
 * @property int $attempts how often it was taken in hand
 * @property int $lost how often its owner ended without giving it back
 * @property bool $stop_asked
 * @property int $percent
 * @property int $frames done so far
 * @property ?float $speed in frames per second
 * @property ?int $seconds_left
 * @property ?string $error
 * @property ?float $expected_seconds that it is likely to take, as was known when it was asked for
 * @property int $place in its queue: of one priority, the lower comes first
 * @property bool $paused it is not taken in hand; what is in hand stands still
 * @property ?array{pass?: int, passes?: int, gathers?: bool, bytes: int, toCome?: ?int, bytesPerSecond?: float, path?: string} $detail
 *     of the current pass: bytes so far and expected; of a sending: its speed; of a hash list: its path
 * @property ?string $wanted_at when someone last waited for it; the last one comes first
 * @property ?string $not_before when it may be taken in hand again
 * @property ?Carbon $started_at
 * @property ?Carbon $ended_at
 */
class Work extends Model
{
    protected $guarded = [];

    protected $table = 'works';

    protected $attributes = [
        'state' => 'waiting', 'attempts' => 0, 'lost' => 0, 'stop_asked' => false, 'percent' => 0, 'frames' => 0, 'seconds_left' => null,
        'speed' => null, 'error' => null, 'owner' => null, 'wanted_at' => null, 'started_at' => null, 'ended_at' => null,
        'paused' => false, 'detail' => null, 'not_before' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'state' => WorkState::class, 'stop_asked' => 'boolean', 'speed' => 'float', 'subject' => 'integer', 'priority' => 'integer',
        'started_at' => 'datetime', 'ended_at' => 'datetime', 'paused' => 'boolean', 'detail' => 'array', 'place' => 'integer',
        'expected_seconds' => 'float',
    ];

    /** Now, as times are written here: to the millisecond, and in an order that texts keep. */
    public static function now(float $secondsLater = 0): string
    {
        return now()->addMilliseconds((int) round(1000 * $secondsLater))->format('Y-m-d H:i:s.v');
    }

    /**
     * What was not put off until later.
     *
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public static function due(Builder $query): Builder
    {
        return $query->whereNull('not_before')->orWhere('not_before', '<=', self::now());
    }
}
