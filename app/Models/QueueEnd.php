<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A moment at which nothing was left to make.
 *
 * @property int $id
 * @property Carbon $ended_at
 * @property array{made: list<array<string, mixed>>, failed: list<array<string, mixed>>, stopped: list<array<string, mixed>>} $told
 */
class QueueEnd extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $table = 'queue_ends';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['ended_at' => 'datetime', 'told' => 'array'];

    /** What others are told of it (resources/schema/queue-done.json). */
    public function json(): string
    {
        return json_encode(
            ['event' => 'queue-done', 'id' => $this->id, 'endedAt' => $this->ended_at->toIso8601ZuluString()] + $this->told,
            JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR,
        );
    }
}
