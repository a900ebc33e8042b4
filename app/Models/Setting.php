<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $key
 * @property mixed $value
 */
class Setting extends Model
{
    protected $guarded = [];

    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $casts = ['value' => 'json'];

    /** Bits per second that the person's line sends. */
    public static function lineSpeed(): int
    {
        return (int) (self::find('line_speed')->value ?? config('crate.line_speed'));
    }
}
