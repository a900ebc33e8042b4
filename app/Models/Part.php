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
 * @property string $file its name in the run's working folder
 * @property array<mixed> $plan of the whole file (PlanDocument)
 * @property int $pass 1 gathers, 2 writes with what was gathered, 0 is the only one
 * @property ?string $gathered name that what its first pass left in that folder begins with
 * @property ?int $average bits per second that fall to it
 * @property ?float $full share of a decoder's buffer that is full where it begins; null for what its encoder takes it to be
 * @property ?Run $run
 */
class Part extends Model
{
    public const WORK = 'part';

    protected $guarded = [];

    protected $table = 'parts';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = [
        'plan' => 'array', 'number' => 'integer', 'first' => 'integer', 'last' => 'integer', 'pass' => 'integer', 'average' => 'integer',
        'full' => 'float',
    ];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    public function range(): FrameRange
    {
        return new FrameRange($this->first, $this->last);
    }
}
