<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A file that was made. The entry stays if the run is cleared or the file is deleted.
 *
 * @property int $id
 * @property int $run_id
 * @property string $pack
 * @property ?int $cut_id
 * @property string $cut_name
 * @property string $file its name, without folder
 * @property string $role
 * @property string $preset slug
 * @property string $preset_name as it was called then
 * @property ?string $host slug
 * @property ?string $host_name as it was called then
 * @property int $bytes
 * @property int $differences from the plan
 * @property bool $is_stored neither cleared away nor deleted by this application
 * @property int $first_frame of the cut
 * @property int $last_frame
 * @property string $search names of file, cut, preset and host in small letters
 * @property Carbon $made_at
 * @property ?Run $run
 */
class Delivery extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $table = 'deliveries';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['made_at' => 'datetime', 'bytes' => 'integer', 'differences' => 'integer', 'is_stored' => 'boolean'];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** Adds the finished file of a run to the list, or updates its entry if the run was made again. */
    public static function note(Run $run): void
    {
        ['plan' => $plan, 'slip' => $slip] = $run->only(['plan', 'slip']);
        $names = [
            'file' => mb_scrub(basename($run->file)),
            'cut_name' => mb_scrub($run->cut_name),
            'preset_name' => $plan['presetName'],
            'host_name' => $plan['hostName'],
        ];
        self::query()->updateOrCreate(['run_id' => $run->id], [
            ...$names,
            'pack' => $run->pack,
            'cut_id' => $run->cut_id,
            'role' => $plan['role'],
            'preset' => $plan['preset'],
            'host' => $plan['host'],
            'bytes' => $slip['bytes'],
            'differences' => count($slip['differences']),
            'is_stored' => true,
            'first_frame' => $plan['range']['first'],
            'last_frame' => $plan['range']['last'],
            'search' => mb_strtolower(implode(' ', array_filter($names))),
            'made_at' => now(),
        ]);
    }

    /** @param  list<int>  $runs  whose files were cleared away, deleted or put back */
    public static function setStored(array $runs, bool $isStored): void
    {
        self::query()->whereIn('run_id', $runs)->update(['is_stored' => $isStored]);
    }
}
