<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * How fast this machine makes files of one kind, learnt from its runs.
 *
 * @property string $key
 * @property int $pixels_per_second
 */
class Speed extends Model
{
    protected $guarded = [];

    protected $table = 'speeds';

    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    /** @return array<string, int> pixels per second, by key */
    public static function known(): array
    {
        return self::query()->pluck('pixels_per_second', 'key')->map(fn ($speed): int => (int) $speed)->all();
    }

    /** Blends a new timing in; three tenths new keep the figure steady and let it follow a change of machine. */
    public static function learn(string $key, int $pixelsPerSecond): void
    {
        $known = self::find($key)?->pixels_per_second;
        self::updateOrCreate(
            ['key' => $key],
            ['pixels_per_second' => $known === null ? $pixelsPerSecond : (int) round(0.7 * $known + 0.3 * $pixelsPerSecond)],
        );
    }
}
