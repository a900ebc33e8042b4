<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use OuterCrate\Units\FrameRange;

/**
 * A part of a file that several machines make.
 *
 * @property int $id
 * @property int $run_id
 * @property int $number from 1
 * @property int $first frame of the cut
 * @property int $last
 * @property array<mixed> $plan of the whole file (PlanDocument)
 * @property string $digest of that plan and the state of the cut; only parts with the same one are joined
 * @property int $pass ONLY, GATHERS or WRITES
 * @property ?int $gathered_id first pass that it is encoded with
 * @property ?int $aim target average of the whole file, bits per second
 * @property ?int $average its own target average, bits per second
 * @property ?float $full share of a decoder's buffer that is full where it begins; null for what its encoder takes it to be
 * @property ?Run $run
 * @property ?Part $gathered
 */
class Part extends Model
{
    public const WORK = 'part';

    /** The pass of a part that has only one. */
    public const ONLY = 0;

    /** The first of two passes. */
    public const GATHERS = 1;

    /** The second of two passes. */
    public const WRITES = 2;

    protected $guarded = [];

    protected $table = 'parts';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'plan' => 'array', 'number' => 'integer', 'first' => 'integer', 'last' => 'integer', 'pass' => 'integer', 'aim' => 'integer',
        'average' => 'integer',
        'full' => 'float',
    ];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function gathered(): BelongsTo
    {
        return $this->belongsTo(self::class, 'gathered_id');
    }

    /** Name of its file in the working folder of the run. Names of its other files there start with it. */
    public function file(): string
    {
        return "part-{$this->id}.".($this->pass === self::GATHERS ? 'gathered' : 'mov');
    }

    /** Removes the parts of a run. A machine that is making one stops. */
    public static function forget(int $run): void
    {
        $ids = self::query()->where('run_id', $run)->pluck('id');
        Work::query()->where('kind', self::WORK)->whereIn('subject', $ids)->delete();
        self::query()->whereKey($ids)->delete();
    }

    public function range(): FrameRange
    {
        return new FrameRange($this->first, $this->last);
    }
}
