<?php

namespace App\Models;

use App\Configuration\SetValues;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use OuterCrate\Units\LineSpeed;

/**
 * @property string $key
 * @property mixed $value
 * @property ?Carbon $updated_at
 */
class Setting extends Model
{
    protected $guarded = [];

    protected $table = 'settings';

    protected $primaryKey = 'key';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $keyType = 'string';

    public $incrementing = false;

    /** @var array<string, string> */
    protected $casts = ['value' => 'json'];

    /** As the person set it; what was sent since then knows better. */
    public static function lineSpeed(): LineSpeed
    {
        $set = self::find('line_speed');
        $sent = Run::query()
            ->whereNotNull('sent_at')
            ->when($set !== null, fn ($query) => $query->where('sent_at', '>', $set->updated_at->format('Y-m-d H:i:s.v')))
            ->orderByDesc('sent_at')
            ->limit(2 * LineSpeed::FILES)
            ->get(['sent_seconds', 'slip->bytes as bytes'])
            ->map(fn (Run $run): array => ['bytes' => (int) $run->getAttribute('bytes'), 'seconds' => (int) $run->sent_seconds])
            ->all();

        return LineSpeed::said(max(1, (int) ($set->value ?? app(SetValues::class)->get('crate.line_speed'))))->taught($sent);
    }
}
